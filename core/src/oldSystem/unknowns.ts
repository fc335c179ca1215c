/** What nobody knows of an old system that is kept: each with what it may be, and how likely. */
import { NOMINAL_SIZES, type Material } from '../catalogue/pipes';
import { ofKind, type Job } from '../job/job';
import { unknownFall } from '../job/oldPipe';
import { diameterOf, OLD_STATES, type Run } from '../job/kinds';

/** What may be unknown of a pipe. */
export const UNKNOWN = ['fall', 'state', 'size', 'material'] as const;
export type UnknownOf = (typeof UNKNOWN)[number];

type State = (typeof OLD_STATES)[number];

/** One thing that it may be: how likely, 0–1, and the pipe as it is then; `broken` carries nothing that one may count on. */
export interface Value {
  said: string;
  chance: number;
  set: (run: Run) => Run;
  broken?: true;
}

export interface Unknown {
  run: string;
  of: UnknownOf;
  values: readonly Value[];
}

/** Where a fall lies between the flattest and the steepest that it may have: the middle is twice as likely as either end. */
const FALLS: readonly [share: number, chance: number, said: string][] = [
  [0, 0.25, 'flattest'],
  [0.5, 0.5, 'between'],
  [1, 0.25, 'steepest'],
];

/**
 * How old yard drains are met, and what of the bore is left: our own figures, for want of published ones, on the careful side. A fifth of the
 * width under silt, and a third under roots.
 */
const STATES: Record<State, { chance: number; left: number }> = {
  sound: { chance: 0.55, left: 1 },
  silted: { chance: 0.2, left: 0.8 },
  roots: { chance: 0.15, left: 0.65 },
  broken: { chance: 0.1, left: 0 },
};

/** What a pipe that was guessed by what shows of it is otherwise. */
const GUESSED_MATERIALS: readonly Material[] = ['smooth', 'singleWall', 'clay'];
const AS_GUESSED = 0.5;

function falls(run: Run): Unknown[] {
  const between = unknownFall(run);
  if (!between) return [];
  const { least, most } = between;
  const values = FALLS.map(([share, chance, said]): Value => {
    const fall = least + share * (most - least);
    return { said, chance, set: (each) => ({ ...each, old: { ...each.old!, fall: { least: fall, most: fall } } }) };
  });
  return [{ run: run.id, of: 'fall', values }];
}

function states(run: Run): Unknown[] {
  if (run.old!.state !== undefined) return [];
  const values = OLD_STATES.map((state): Value => {
    const { chance, left } = STATES[state];
    return {
      said: state,
      chance,
      // What is left of its bore carries the water: that it wants cleaning is another question.
      set: (each) => ({
        ...each,
        old: { ...each.old!, state: 'sound' },
        ...(left < 1 && left > 0 ? { insideDiameter: diameterOf(each) * left } : {}),
      }),
      ...(state === 'broken' ? { broken: true as const } : {}),
    };
  });
  return [{ run: run.id, of: 'state', values }];
}

/** What was guessed is as likely as all else together. */
function guessed<T>(own: T, others: readonly T[], make: (value: T) => Omit<Value, 'chance'>): Value[] {
  const share = others.length > 0 ? (1 - AS_GUESSED) / others.length : 0;
  return [
    { chance: others.length > 0 ? AS_GUESSED : 1, ...make(own) },
    ...others.map((value) => ({ chance: share, ...make(value) })),
  ];
}

function sizes(run: Run): Unknown[] {
  if (!run.old!.guessed?.includes('size')) return [];
  const at = NOMINAL_SIZES.findIndex((size) => size >= run.nominal - 1e-6);
  const others = [NOMINAL_SIZES[at - 1], NOMINAL_SIZES[at + 1]].filter((size): size is number => size !== undefined);
  const values = guessed(run.nominal, others, (nominal) => ({
    said: nominal < run.nominal ? 'a size smaller' : nominal > run.nominal ? 'a size larger' : 'as guessed',
    // Its bore was guessed with its size.
    set: ({ insideDiameter: _bore, ...each }) => ({ ...each, nominal }),
  }));
  return [{ run: run.id, of: 'size', values }];
}

function materials(run: Run): Unknown[] {
  if (!run.old!.guessed?.includes('material')) return [];
  const others = GUESSED_MATERIALS.filter((material) => material !== run.material);
  const values = guessed(run.material, others, (material) => ({
    said: material,
    set: (each) => ({ ...each, material }),
  }));
  return [{ run: run.id, of: 'material', values }];
}

/** Everything that is unknown of old pipes that are kept, pipe by pipe. Of each the size is set before the state, whose bore goes by it. */
export const unknownsOf = (job: Job): Unknown[] =>
  ofKind(job, 'run')
    .filter(({ old }) => old?.fate === 'kept')
    .flatMap((run) => [...sizes(run), ...materials(run), ...falls(run), ...states(run)]);
