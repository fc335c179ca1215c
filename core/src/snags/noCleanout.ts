import type { Junction, Landing } from '../job/elements';
import { freeName, splitRun } from '../job/insert';
import type { Job } from '../job/job';
import type { Solution } from '../solve';
import { freeId, runOf } from './edits';
import type { Rule } from './snag';

/** Where a rod or hose can be got in: a basin's or channel's outlet, a downspout's foot, a cleanout. */
const isAccess = (landing: Landing | undefined): boolean =>
  landing !== undefined && (landing.kind !== 'junction' || landing.form === 'cleanout') && landing.kind !== 'discharge';

interface Reach {
  run: string;
  /** From the nearest place above to get in, m: to the run's head and to its foot. */
  start: number;
  end: number;
}

/** How far down the pipe each run is from where somebody can get in; runs go from upstream down. */
function reaches(job: Job, { runs }: Solution): Reach[] {
  const from = new Map<string, number>();
  const startOf = (id: string): number => (isAccess(job.elements[id] as Landing | undefined) ? 0 : (from.get(id) ?? 0));
  return Object.values(runs).map((run) => {
    const start = startOf(run.from);
    const end = start + run.length;
    from.set(run.to, Math.min(from.get(run.to) ?? Number.POSITIVE_INFINITY, end));
    return { run: run.id, start, end };
  });
}

/** Farther down a pipe than a rod or hose is led from any place to get in. */
export const noCleanout: Rule = {
  code: 'noCleanout',
  find: (job, solution) =>
    reaches(job, solution)
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
  fix: (snag, job, solution) => {
    const run = runOf(job, snag.at);
    const { groundUp, groundDown } = solution.runs[snag.at]!;
    const { start } = reaches(job, solution).find((each) => each.run === snag.at)!;
    const along = snag.limit - start;
    // At the very head of the run there is nothing to split: the junction there is brought to grade itself.
    const head = job.elements[run.from];
    if (along < 1 || along > run.length - 0.01) {
      if (head?.kind !== 'junction' || head.form === 'wye') return null;
      return {
        label: `Bring ${head.name} to grade as a cleanout`,
        change: {
          label: `Bring ${head.name} to grade as a cleanout`,
          puts: [{ ...head, form: 'cleanout' }],
          removes: [],
        },
      };
    }
    const cleanout: Junction = {
      id: freeId(job, 'cleanout'),
      kind: 'junction',
      form: 'cleanout',
      name: freeName(job, 'Cleanout'),
      groundLevel: groundUp + ((groundDown - groundUp) * along) / run.length,
    };
    const label = 'Put in a cleanout';
    return { label, change: { ...splitRun(run, cleanout, freeId(job, 'runBelowCleanout'), along), label } };
  },
};
