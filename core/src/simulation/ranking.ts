/** Every rain with every single failure, one after another: which of them brings water nearest to a door. */
import type { Job } from '../job/job';
import type { Plan } from '../verdict/planJob';
import { rainfallOf, stormCases, type StormCase } from './cases';
import type { StormIn } from './simulation';
import { StormRun, type StormTold } from './stormRun';
import { stormSentence } from './told/words';

export interface Ranked {
  of: StormCase;
  sentence: string;
  /** Least from the water up to a sill, m, less than 0 over it; null where none comes to one. Deepest over an inlet, m. */
  margin: number | null;
  deepest: number;
  deepestAt: string | null;
  /** Door, sill or inlet that this is of, by id; null where no water stands anywhere. */
  at: string | null;
}

/** Cells of the ground that many storms are tried on: coarser than the one that is watched. */
export const COARSE = 1500;

/** What of a storm it is ranked by. */
export function rankOf({
  doors,
  landings,
}: Pick<StormTold, 'doors' | 'landings'>): Pick<Ranked, 'margin' | 'deepest' | 'deepestAt' | 'at'> {
  let [margin, at]: [number | null, string | null] = [null, null];
  for (const door of doors)
    if (door.margin !== null && (margin === null || door.margin < margin)) [margin, at] = [door.margin, door.id];
  let [deepest, deepestAt]: [number, string | null] = [0, null];
  for (const { id, peak } of landings) if (peak > deepest) [deepest, deepestAt] = [peak, id];
  return { margin, deepest, deepestAt, at: at ?? deepestAt };
}

/** The one that does more harm first: nearest to a sill, or over one; then by how deep water stands. */
export const worseFirst = (a: Ranked, b: Ranked): number =>
  (a.margin ?? Infinity) - (b.margin ?? Infinity) || b.deepest - a.deepest;

/** A storm up to where all that is highest in it is known. */
export function peaksOf(job: Job, plan: Plan, storm: StormIn): StormTold {
  const run = new StormRun(job, plan, storm);
  while (!run.isOver && !run.hasPeaked) run.advance();
  return run.told;
}

/** Tries a job in all its cases, each told once it is over. */
export function* rankCases(job: Job, plan: Plan): Generator<{ ranked: Ranked; done: number; of: number }> {
  const cases = stormCases(job, plan);
  for (const [k, each] of cases.entries()) {
    const rain = rainfallOf(job, each.rain)!;
    const storm = { rain, wetness: 'ordinary', failing: each.failing, cells: COARSE } as const;
    const { doors, landings, length } = peaksOf(job, plan, storm);
    // What is still there when it has peaked is not asked for.
    const sentence = stormSentence(job, each, { doors, landings, ponds: [], reached: length, length });
    const ranked = { of: each, sentence, ...rankOf({ doors, landings }) };
    yield { ranked, done: k + 1, of: cases.length };
  }
}
