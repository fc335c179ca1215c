import { valuesOf } from '../valuesOf';
import { JUNCTION_FACTS } from '../../catalogue/fittings';
import type { Landing } from '../../job/kinds';
import type { Job } from '../../job/job';
import { floats } from '../../numeric/filled';
import type { RunPlan } from '../../plan/solution';
import type { Rule } from '../snag';
import { each } from '../each';

/** Where a rod or hose can be got in: a basin's or channel's outlet, a downspout's foot, a cleanout or a trap. */
const isAccess = (landing: Landing | undefined): boolean =>
  landing !== undefined &&
  landing.kind !== 'discharge' &&
  (landing.kind !== 'junction' || JUNCTION_FACTS[landing.form].access);

/** How far down the pipe each run's head is from where somebody can get in, m; in the order of the runs, which go from upstream down. */
export function fromAccess(job: Job, runs: readonly RunPlan[]): Float64Array {
  const above = new Map<string, number>();
  return floats(runs, ({ from, to, length }) => {
    const start = isAccess(job.elements.get(from) as Landing | undefined) ? 0 : (above.get(from) ?? 0);
    above.set(to, Math.min(above.get(to) ?? Number.POSITIVE_INFINITY, start + length));
    return start;
  });
}

/** Farther down a pipe than a rod or hose is led from any place to get in. */
export const noCleanout: Rule = {
  code: 'noCleanout',
  short: 'no cleanout',
  find: (job, solution) => {
    const runs = valuesOf(job, solution.runs);
    const starts = fromAccess(job, runs);
    const limit = solution.settings.cleanoutSpacing;
    return each(runs, ({ id, length }, k) => {
      const end = starts[k]! + length;
      if (end <= limit + 1e-6 || starts[k]! > limit) return null;
      return { code: 'noCleanout', severity: 'fix', at: id, measure: 'length', figure: end, limit };
    });
  },
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.at)} runs ${say.show('length', snag.figure)} without a cleanout.`,
    why: `A rod or hose is led ${say.show('length', snag.limit)} at most. A cleanout brought to grade here saves digging the line up when it blocks.`,
  }),
};
