/** The lines of a plan in pipe one size larger: room for leaves, roots and a rarer rain where lines of their own give none. */
import { NOMINAL_SIZES } from '../catalogue/pipes';
import { changed } from '../job/change';
import { resized } from '../job/edits/pipes';
import { ofKind, type Job } from '../job/job';
import { isLaid, type Run } from '../job/kinds';
import type { Plan } from '../verdict/planJob';

/** Sizes are told apart so far, m. */
const SAME = 1e-6;

/** Pipe that runs so little full, as a share of what it carries, gains nothing by being larger that anybody would see. */
const AMPLE = 0.25;

/** A plan's job with each new pipe a size larger; null where none can be, or all have room. */
export function roomier(given: Job, { job, plan }: { job: Job; plan: Plan }): Job | null {
  if (fullestIn(given, plan) < AMPLE) return null;
  const puts = ofKind(job, 'run').flatMap((run): Run[] => {
    const larger = NOMINAL_SIZES.find((size) => size > run.nominal + SAME);
    return isLaid(run) && !given.elements.has(run.id) && larger !== undefined ? [resized(run, larger)] : [];
  });
  return puts.length === 0 ? null : changed(job, { puts, removes: [] });
}

/** Share of what it carries full that the fullest of its new pipes runs at; 0 where none runs. */
export function fullestIn(given: Job, { runs }: Plan): number {
  return Object.entries(runs).reduce(
    (most, [id, { flow, capacity }]) =>
      given.elements.has(id) || capacity <= 0 ? most : Math.max(most, flow / capacity),
    0,
  );
}
