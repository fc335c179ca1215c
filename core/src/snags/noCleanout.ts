import { valuesOf } from './valuesOf';
import { JUNCTION_FACTS } from '../catalogue/fittings';
import type { Landing } from '../job/kinds';
import type { Job } from '../job/job';
import type { Solution } from '../plan/solution';
import type { Rule } from './snag';

/** Where a rod or hose can be got in: a basin's or channel's outlet, a downspout's foot, a cleanout or a trap. */
const isAccess = (landing: Landing | undefined): boolean =>
  landing !== undefined &&
  landing.kind !== 'discharge' &&
  (landing.kind !== 'junction' || JUNCTION_FACTS[landing.form].access);

export interface Reach {
  run: string;
  /** From the nearest place above to get in, m: to the run's head and to its foot. */
  start: number;
  end: number;
}

/** How far down the pipe each run is from where somebody can get in; runs go from upstream down. */
export function accessReaches(job: Job, { runs }: Solution): Reach[] {
  const from = new Map<string, number>();
  const startOf = (id: string): number =>
    isAccess(job.elements.get(id) as Landing | undefined) ? 0 : (from.get(id) ?? 0);
  return valuesOf(runs).map((run) => {
    const start = startOf(run.from);
    const end = start + run.length;
    from.set(run.to, Math.min(from.get(run.to) ?? Number.POSITIVE_INFINITY, end));
    return { run: run.id, start, end };
  });
}

/** Farther down a pipe than a rod or hose is led from any place to get in. */
export const noCleanout: Rule = {
  code: 'noCleanout',
  short: 'no cleanout',
  find: (job, solution) =>
    accessReaches(job, solution)
      .filter(
        ({ start, end }) =>
          end > solution.settings.cleanoutSpacing + 1e-6 && start <= solution.settings.cleanoutSpacing,
      )
      .map(({ run, end }) => ({
        code: 'noCleanout',
        severity: 'fix' as const,
        at: run,
        measure: 'length' as const,
        figure: end,
        limit: solution.settings.cleanoutSpacing,
      })),
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.at)} runs ${say.show('length', snag.figure)} without a cleanout.`,
    why: `A rod or hose is led ${say.show('length', snag.limit)} at most. A cleanout brought to grade here saves digging the line up when it blocks.`,
  }),
};
