import type { Discharge } from '../job/elements';
import { applyChange, put, type Change } from '../job/change';
import { headOf, type Job } from '../job/job';
import type { FallBudget } from '../network/budget';
import { solve, type Solution } from '../solve';
import { showSmall, text } from '../units';
import { METRES_PER_INCH } from '../units/constants';
import { dischargeOf, resized, runOf, together, withSettings } from './edits';
import { LEVEL_TOLERANCE, type Fix, type Rule, type Snag } from './snag';

const budgetAt = (solution: Solution, discharge: string): FallBudget | undefined =>
  solution.budgets.find((budget) => budget.discharge === discharge);

/** Sets every grade of the route back to as shallow as may be. */
function released(job: Job, budget: FallBudget): Change | null {
  const set = budget.spent.map(({ run }) => runOf(job, run)).filter((run) => run.grade.type !== 'auto');
  if (set.length === 0) return null;
  return put('Let the line find its own pitch', ...set.map((run) => ({ ...run, grade: { type: 'auto' as const } })));
}

/** Less cover, by what is missing, rounded down to a half inch, as far as the least allows. */
function shallower(job: Job, { settings }: Solution, budget: FallBudget): Change | null {
  const step = METRES_PER_INCH / 2;
  const cover = Math.floor((settings.cover + budget.left) / step + 1e-6) * step;
  if (cover < settings.leastCover - 1e-9) return null;
  return withSettings(
    job,
    `Plan ${text(showSmall(cover, headOf(job).units))} of cover, not ${text(showSmall(settings.cover, headOf(job).units))}`,
    { cover },
  );
}

/** Large smooth pipe, which may lie flatter, on every stretch of the route that is smaller. */
function flatter(job: Job, { settings }: Solution, budget: FallBudget): Change | null {
  const small = budget.spent.map(({ run }) => runOf(job, run)).filter((run) => run.nominal < settings.largeFrom - 1e-9);
  if (small.length === 0) return null;
  const label = 'Lay larger pipe, which may run flatter';
  return put(
    label,
    ...small.map((run) => ({
      ...resized(run, settings.largeFrom),
      material: run.material === 'doubleWall' ? run.material : ('smooth' as const),
    })),
  );
}

const stillShort = (job: Job, change: Change, snag: Snag): boolean => {
  const after = budgetAt(solve(applyChange(job, change).job), snag.at);
  return after !== undefined && after.left < -LEVEL_TOLERANCE;
};

/** Tries the ways a crew would, mildest first, and offers the first that really reaches the discharge. */
function firstThatReaches(snag: Snag, job: Job, solution: Solution): Fix | null {
  const budget = budgetAt(solution, snag.at);
  if (!budget) return null;
  const free = released(job, budget);
  const less = shallower(job, solution, budget);
  const large = flatter(job, solution, budget);
  const least = withSettings(job, 'Plan the least cover', { cover: solution.settings.leastCover });
  const both = large && together(job, 'Lay larger, flatter pipe at the least cover', [large, least]);
  for (const change of [free, less, large, both]) {
    if (change && !stillShort(job, change, snag)) return { label: change.label, change };
  }
  return null;
}

/** The fall of a route does not reach the discharge's control level at the least pitch. */
export const outOfFall: Rule = {
  code: 'outOfFall',
  find: (job, { budgets }) =>
    budgets
      .filter(
        (budget) => budget.left < -LEVEL_TOLERANCE && (job.elements[budget.discharge] as Discharge).form !== 'popup',
      )
      .map((budget) => ({
        code: 'outOfFall',
        severity: 'stop',
        at: budget.discharge,
        other: budget.spent[0]!.run,
        measure: 'length',
        figure: budget.shortBy,
        limit: budget.left,
      })),
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.other!)} runs out of fall ${say.show('length', snag.figure)} short of ${say.name(snag.at)}.`,
    why: `At the least pitch and cover the pipe would come out ${say.show('small', -snag.limit)} too low: under the bottom of what should take the water.`,
  }),
  fix: (snag, job, solution) => (dischargeOf(job, snag.at) ? firstThatReaches(snag, job, solution) : null),
};
