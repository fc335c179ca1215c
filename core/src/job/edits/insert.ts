/** Putting a landing into a run, and giving a landing a way on. */
import { put, type Change } from '../change';
import type { Landing, Run } from '../kinds';
import { isLaid, isLanding } from '../kinds';
import { waysOf } from '../buildWays';
import { headOf, nameOf, ofKind, type Job } from '../job';
import { splitPits } from '../oldPipe';
import { placeAlong, putDown } from '../places';
import { wayLength, type Place } from '../../site/place';

/** How the two parts of a split run lie, so that the pipe stays where it was set: `at` is the part of it above the split, 0–1. */
function splitGrade(grade: Run['grade'], at: number): [Run['grade'], Run['grade']] {
  if (grade.type !== 'levels') return [grade, grade];
  const { up, down } = grade;
  const middle = up !== undefined && down !== undefined ? { down: up + (down - up) * at } : {};
  const auto = { type: 'auto' as const };
  return [
    up === undefined ? auto : { type: 'levels', up, ...middle },
    down === undefined ? auto : { type: 'levels', down },
  ];
}

/**
 * Splits a run at `at` m from its upper end, with a landing there. The upper part keeps the run's id, so its history goes on. Of a run on
 * the plan `way` is its way there: the landing is put down on it, and each part keeps its own bends.
 */
export function splitRun(
  run: Run,
  landing: Landing,
  lowerId: string,
  at: number,
  way?: readonly Place[] | null,
): Change {
  const { assumed: _split, bends = [], laid, ...rest } = run;
  const along = way ? (wayLength(way) * at) / run.length : 0;
  const upper = way ? bends.filter((_, k) => wayLength(way.slice(0, k + 2)) < along) : bends;
  const bent = (some: readonly Place[]): Partial<Run> => (some.length > 0 ? { bends: [...some] } : {});
  const read = (some: Run['laid']): Partial<Run> => (some && some.length > 0 ? { laid: some } : {});
  const there = way ? onPlan(landing, placeAlong(way, along)) : landing;
  const [above, below] = splitGrade(run.grade, at / run.length);
  const [oldAbove, oldBelow] = run.old ? splitPits(run, at) : [undefined, undefined];
  return {
    label: `Put ${landing.name} into the line`,
    puts: [
      there,
      {
        ...rest,
        ...bent(upper),
        ...read(laid?.filter(({ along: from }) => from <= at)),
        to: landing.id,
        length: at,
        grade: above,
        old: oldAbove,
      },
      {
        ...rest,
        ...bent(bends.slice(upper.length)),
        ...read(laid?.flatMap((each) => (each.along > at ? [{ ...each, along: each.along - at }] : []))),
        id: lowerId,
        from: landing.id,
        length: run.length - at,
        grade: below,
        old: oldBelow,
        name: undefined,
      },
    ].map(dropUndefined),
    removes: [],
  };
}

/** A landing put down at a place, at the level of the ground there. */
export const onPlan = (landing: Landing, place: Place): Landing => ({
  ...putDown(landing, [place]),
  levelFrom: 'ground',
});

function dropUndefined<T extends object>(element: T): T {
  return Object.fromEntries(Object.entries(element).filter(([, value]) => value !== undefined)) as T;
}

/** Landings that a landing's pipe may go to without going round: any that does not itself drain through it. */
export function waysOn(job: Job, landing: string): Landing[] {
  const next = new Map(
    ofKind(job, 'run')
      .filter(isLaid)
      .map((run) => [run.from, run.to]),
  );
  const passes = (from: string): boolean => {
    const seen = new Set<string>();
    for (let at: string | undefined = from; at !== undefined && !seen.has(at); at = next.get(at)) {
      if (at === landing) return true;
      seen.add(at);
    }
    return false;
  };
  return job.elements.all.filter(
    (element): element is Landing => isLanding(element) && element.id !== landing && !passes(element.id),
  );
}

/** A run from a landing, alike in make to what the job already uses. */
export function newRun(job: Job, id: string, from: string, to: string, length: number): Run {
  const runs = ofKind(job, 'run');
  const widest = runs.filter((run) => run.to === from).reduce((most, run) => Math.max(most, run.nominal), 0);
  return {
    id,
    kind: 'run',
    from,
    to,
    length,
    material: runs.at(-1)?.material ?? waysOf(headOf(job).ways).make ?? 'smooth',
    nominal: widest || 0.1016,
    grade: { type: 'auto' },
  };
}

/** A run laid along a way on the plan, from its first place to its last. */
export const runAlong = (run: Run, way: readonly Place[]): Run => ({
  ...run,
  lengthFrom: 'plan',
  ...(way.length > 2 ? { bends: way.slice(1, -1) } : {}),
});

/** Leads a run on to another landing with all that was set of it; a level that was set at its end goes with the old end. */
export function leadElsewhere(job: Job, run: Run, to: string): Change {
  const { grade } = run;
  const next: Run = { ...run, to, assumed: true };
  if (grade.type === 'levels' && grade.down !== undefined)
    next.grade = grade.up === undefined ? { type: 'auto' } : { type: 'levels', up: grade.up };
  return put(`Lead it to ${nameOf(job, to)}`, next);
}

/** What to call an element that somebody gave a name: that name, with a number where another has it already. */
export function ownName(job: Job, id: string, name: string): string {
  const taken = new Set(
    job.elements.all.flatMap((other) => (other.id !== id && 'name' in other ? [other.name as string] : [])),
  );
  return freeOf(taken, name);
}

/** A name that is not among those taken: itself, or with the next free number; `Option 2` goes on with `Option 3`. */
export function freeOf(taken: ReadonlySet<string>, name: string): string {
  const [, stem = name, number] = /^(.*?)(?: (\d{1,6}))?$/s.exec(name) ?? [];
  let free = name;
  for (let count = Number(number ?? 1) + 1; taken.has(free); count++) free = `${stem} ${count}`;
  return free;
}

/** The first name of a stem and a number that no element has: `Wye 3`. */
export function freeName(job: Job, stem: string): string {
  const taken = new Set(job.elements.all.map(({ id }) => id).map((id) => nameOf(job, id)));
  let count = 1;
  while (taken.has(`${stem} ${count}`)) count++;
  return `${stem} ${count}`;
}

/** Whether a run can be split at `at` m from its upper end. */
export const lengthFitsSplit = (run: Run, at: number): boolean => at > 0 && at < run.length;
