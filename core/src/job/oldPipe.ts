/**
 * How an old pipe lies that is kept: as it was found, never as it would be laid. Two test pits, or its levels at both ends, say it; with
 * fewer nobody knows how it falls, and it is reckoned at the flattest and at the steepest that it may.
 */
import type { Run } from './kinds';

/** Falls, m/m. */
export interface Falls {
  least: number;
  most: number;
}

/** What builders lay by habit, where nobody says otherwise, m/m: 1/8 to 1/4 in to a foot. */
export const USUAL_OLD_FALL: Falls = { least: 1 / 96, most: 1 / 48 };

/** Pits nearer together than this tell nothing of a fall, m. */
const APART = 0.5;

interface Found {
  along: number;
  level: number;
}

/** Levels of its bottom that are known, m from its head and m. */
function found({ old, grade, length }: Run): Found[] {
  const pits: Found[] = (old?.pits ?? []).filter(({ along }) => along <= length);
  if (grade.type === 'levels') {
    if (grade.up !== undefined) pits.push({ along: 0, level: grade.up });
    if (grade.down !== undefined) pits.push({ along: length, level: grade.down });
  }
  return pits.sort((a, b) => a.along - b.along);
}

/** The straight line nearest to some levels by least squares: at its head, m, and its fall, m/m. */
function lineThrough(pits: readonly Found[]): { up: number; fall: number } {
  const mean = (of: (pit: Found) => number): number => pits.reduce((sum, pit) => sum + of(pit), 0) / pits.length;
  const [along, level] = [mean((pit) => pit.along), mean((pit) => pit.level)];
  const spread = pits.reduce((sum, pit) => sum + (pit.along - along) ** 2, 0);
  const fall = -pits.reduce((sum, pit) => sum + (pit.along - along) * (pit.level - level), 0) / spread;
  return { up: level + fall * along, fall };
}

/** True of one that lies as somebody has said: by a pitch of its own, or by levels at both ends and no pit that says otherwise. */
const isSaid = ({ old, grade }: Run): boolean =>
  grade.type === 'pitch' ||
  (grade.type === 'levels' && grade.up !== undefined && grade.down !== undefined && !old?.pits?.length);

/** Falls that an old pipe may have that nobody knows the fall of, m/m; null of one that is known, or that is not kept. */
export function unknownFall(run: Run): Falls | null {
  if (run.old?.fate !== 'kept' || isSaid(run)) return null;
  const known = found(run);
  if (known.length > 1 && known.at(-1)!.along - known[0]!.along >= APART) return null;
  return run.old.fall ?? USUAL_OLD_FALL;
}

/** Pits of the two parts of an old pipe that a landing is put into at `at` m, so that both lie on as it was found. */
export function splitPits(run: Run, at: number): [above: NonNullable<Run['old']>, below: NonNullable<Run['old']>] {
  const { pits = [], ...old } = run.old!;
  const grade = pits.length > 0 && !unknownFall(run) ? foundGrade(run, 'least') : null;
  if (grade?.type !== 'levels') {
    const above = pits.filter(({ along }) => along <= at);
    const below = pits.flatMap((pit) => (pit.along > at ? [{ ...pit, along: pit.along - at }] : []));
    return [above, below].map((some) => (some.length > 0 ? { ...old, pits: some } : old)) as [typeof old, typeof old];
  }
  const level = (along: number): number => grade.up! + ((grade.down! - grade.up!) * along) / run.length;
  const between = (from: number, to: number) => [
    { along: 0, level: level(from) },
    { along: to - from, level: level(to) },
  ];
  return [
    { ...old, pits: between(0, at) },
    { ...old, pits: between(at, run.length) },
  ];
}

/** An old pipe's grade by what was found of it; `which`: how it is reckoned where nobody knows its fall. Null where it stays its own. */
export function foundGrade(run: Run, which: keyof Falls): Run['grade'] | null {
  if (run.old?.fate !== 'kept' || isSaid(run)) return null;
  const known = found(run);
  const falls = unknownFall(run);
  const by = (up: number, fall: number): Run['grade'] => ({ type: 'levels', up, down: up - fall * run.length });
  if (!falls) {
    const { up, fall } = lineThrough(known);
    return by(up, fall);
  }
  const pit = known[0];
  return pit ? by(pit.level + falls[which] * pit.along, falls[which]) : { type: 'pitch', pitch: falls[which] };
}
