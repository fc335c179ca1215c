/** What is done, in the order of the work, with how long it takes and what each day's truck must carry. */
import { calendarOf } from '../clearances/workingDays';
import { ofKind, type Job } from '../job/job';
import type { Step as Settled } from '../job/kinds';
import type { Solution } from '../plan/solution';
import type { PartGroup } from '../catalogue/items';
import type { TakeOff } from '../quantities/takeOff';
import { spadeIn } from '../price/price';
import { CHANNEL, COME, DIG, LAY, RAM, SAW, SET, SLAB, SPADE, STRIP, TEST, TURF } from './rates';

export const STEP_KINDS = [
  'setOut',
  'strip',
  'line',
  'boxes',
  'works',
  'test',
  'inspect',
  'backfill',
  'slab',
  'turf',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

export interface WorkStep {
  key: string;
  kind: StepKind;
  /** Letter of its line; of `line` only. */
  line: string | null;
  /** Keys of what must be done before it. */
  after: readonly string[];
  crew: number;
  /** Hours that the whole crew takes. */
  hours: number;
  /** Whether the ground is opened, which wet days and missing marks hold up; whether frost spoils it. */
  digs: boolean;
  grows: boolean;
  machine: 'excavator' | 'rammer' | 'saw' | null;
  /** Groups of parts that it needs on the truck. */
  truck: readonly PartGroup[];
  settled: Settled | null;
}

/** Lines so that each comes after the one that it runs into: the way out first, and upward. */
function downstreamFirst({
  lines,
  runs,
}: Pick<Solution, 'lines' | 'runs'>): { letter: string; runs: string[]; into: string | null }[] {
  const lineOf = new Map(lines.flatMap(({ letter, runs: ids }) => ids.map((id) => [runs[id]?.from, letter] as const)));
  const own = lines.map(({ letter, runs: ids }) => {
    const heads = new Set(ids.map((id) => runs[id]?.from));
    const foot = ids.map((id) => runs[id]?.to).find((to) => !heads.has(to));
    const into = (foot === undefined ? undefined : lineOf.get(foot)) ?? null;
    return { letter, runs: ids, into: into === letter ? null : into };
  });
  const placed: typeof own = [];
  const done = new Set<string>();
  while (placed.length < own.length) {
    const next =
      own.find(({ letter, into }) => !done.has(letter) && (into === null || done.has(into))) ??
      own.find(({ letter }) => !done.has(letter))!;
    done.add(next.letter);
    placed.push(next);
  }
  return placed;
}

/** The steps of a plan, each after what it needs. None where nothing is built. */
export function stepsOf(
  job: Job,
  solution: Pick<Solution, 'lines' | 'runs'>,
  taken: TakeOff,
  inspected: boolean,
): WorkStep[] {
  const { parts, trenches } = taken;
  if (parts.length === 0) return [];
  const settled = new Map(ofKind(job, 'step').map((step) => [step.of, step]));
  const { crew: usualCrew } = calendarOf(job);
  const net = (...types: string[]): number =>
    parts.filter(({ item }) => types.includes(item.type)).reduce((sum, part) => sum + part.net, 0);
  const steps: WorkStep[] = [];
  type More = Partial<Pick<WorkStep, 'line' | 'digs' | 'grows' | 'machine' | 'truck'>>;
  /** `alone`: hours of one person, shared by the crew; `together`: of a machine or the whole crew. */
  const add = (
    key: string,
    kind: StepKind,
    after: readonly string[],
    alone: number,
    together: number,
    more: More = {},
  ): void => {
    const own = settled.get(key) ?? null;
    const crew = own?.crew ?? usualCrew;
    const hours = own?.hours ?? Math.max(0.25, Math.round((alone / crew + together) * 4) / 4);
    if (alone + together <= 0) return;
    const known = new Set(steps.map((step) => step.key));
    const before = after.filter((each) => known.has(each));
    steps.push({
      key,
      kind,
      line: null,
      after: before,
      crew,
      hours,
      digs: false,
      grows: false,
      machine: null,
      truck: [],
      ...more,
      settled: own,
    });
  };
  // The crew comes when there is something to dig: it looks for the marks first.
  add('setOut', 'setOut', [], 0, COME, { digs: true });
  add('strip', 'strip', ['setOut'], net('turf') / STRIP, 0, { digs: true });
  if (net('saw') > 0) add('saw', 'strip', ['setOut'], net('saw') / SAW, 0, { digs: true, machine: 'saw' });
  const byRun = new Map(trenches.map((trench) => [trench.id, trench]));
  const laid: string[] = [];
  for (const { letter, runs, into } of downstreamFirst(solution)) {
    const own = runs.flatMap((id) => byRun.get(id) ?? []);
    const volume = own.reduce((sum, each) => sum + each.volume, 0);
    const length = own.reduce((sum, each) => sum + each.length, 0);
    const key = `line ${letter}`;
    add(
      key,
      'line',
      ['strip', 'saw', ...(into === null ? [] : [`line ${into}`])],
      length / LAY + spadeIn(job, own) * SPADE,
      volume / DIG,
      {
        line: letter,
        digs: true,
        machine: 'excavator',
        truck: ['pipe', 'fittings', 'ends', 'joints', 'stone'],
      },
    );
    laid.push(key);
  }
  const dugElsewhere = Math.max(0, net('dug') - trenches.reduce((sum, { volume }) => sum + volume, 0)) + net('fill');
  add(
    'works',
    'works',
    ['strip', ...laid],
    net('stone') / RAM + spadeIn(job, taken.works) * SPADE,
    dugElsewhere / DIG,
    {
      digs: true,
      machine: 'excavator',
      truck: ['works', 'stone', 'pipe'],
    },
  );
  const boxes = net(
    'box',
    'trap',
    'emitter',
    'kerbOutlet',
    'tapIn',
    'pumpBasin',
    'barrel',
    'downspoutAdapter',
    'culvertEnd',
  );
  add('boxes', 'boxes', laid, boxes * SET + net('channel') * CHANNEL, 0, { truck: ['inlets', 'ends', 'works'] });
  add('test', 'test', [...laid, 'boxes', 'works'], 0, TEST);
  if (inspected) add('inspect', 'inspect', ['test'], 0, TEST);
  add('backfill', 'backfill', ['test', 'inspect'], net('backfill') / RAM, 0, { machine: 'rammer' });
  add('slab', 'slab', ['backfill'], net('slab') / SLAB, 0, { truck: ['ground'] });
  // After the heavy machines have left the ground.
  add('turf', 'turf', ['backfill', 'slab'], net('turf') / TURF, 0, { grows: true, truck: ['ground'] });
  return steps;
}
