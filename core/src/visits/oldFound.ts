/** What a visit found of pipes that another laid: how they lie and what state they are in, to be taken into the plan by a tap. */
import { put, type Change } from '../job/change';
import { elementOf, nameOf, ofKind, type Job } from '../job/job';
import { type OLD_STATES, type Run, type TestOf, type Visit } from '../job/kinds';

type State = (typeof OLD_STATES)[number];

/** What a camera met says of the whole pipe, the worst first; water that stands says nothing of its wall. */
const MEANS: readonly [found: TestOf<'camera'>['met'][number]['found'], state: State][] = [
  ['stopped', 'broken'],
  ['openJoint', 'broken'],
  ['rough', 'silted'],
  ['nothing', 'sound'],
];
const STATE_WORDS: Record<State, string> = {
  sound: 'sound',
  silted: 'silted or rooted',
  roots: 'full of roots',
  broken: 'broken',
};

export interface OldFound {
  label: string;
  change: Change;
}

const isKept = ({ old }: Run): boolean => old?.fate === 'kept';

function stateFound(job: Job, { run: id, met }: TestOf<'camera'>): OldFound[] {
  const run = elementOf(job, 'run', id);
  if (!run || !isKept(run)) return [];
  const [, state] = MEANS.find(([found]) => met.some((each) => each.found === found)) ?? [];
  if (state === undefined || run.old!.state === state) return [];
  const said = `${nameOf(job, id)} is ${STATE_WORDS[state]}`;
  return [{ label: said, change: put(said, { ...run, old: { ...run.old!, state } }) }];
}

/** Inverts that were read at the ends of old pipes: of one that ends at two boxes, its fall. */
function levelsFound(job: Job, { read }: TestOf<'levels'>): OldFound[] {
  const levels = new Map(read.map(({ at, level }) => [at, level]));
  return ofKind(job, 'run').flatMap((run): OldFound[] => {
    const [up, down] = [levels.get(run.from), levels.get(run.to)];
    if (!isKept(run) || (up === undefined && down === undefined)) return [];
    const own = run.grade.type === 'levels' ? run.grade : { type: 'levels' as const };
    const grade = { ...own, ...(up === undefined ? {} : { up }), ...(down === undefined ? {} : { down }) };
    if (JSON.stringify(grade) === JSON.stringify(run.grade)) return [];
    const label = `${nameOf(job, run.id)} lies as it was read`;
    return [{ label, change: put(label, { ...run, grade }) }];
  });
}

/** What can be taken over of a visit; nothing of pipes that are ours. */
export function oldFound(job: Job, { test }: Visit): OldFound[] {
  if (test.type === 'camera') return stateFound(job, test);
  return test.type === 'levels' ? levelsFound(job, test) : [];
}
