/** Working of a fall budget. */
import { OUTFALLS } from '../../catalogue/outfalls';
import { elementOf, headOf, nameOf, type Job } from '../../job/job';
import type { Solution } from '../../plan/solution';
import { showLevel, showSmall, text } from '../../units';
import type { Working } from './working';
import { situated } from '../../yard/situate';

/** Working of the fall budget of the tightest route into a discharge. */
export function budgetWorking(given: Job, solution: Solution, discharge: string): Working | null {
  const job = situated(given, solution);
  const budget = solution.budgets.find((each) => each.discharge === discharge);
  if (!budget) return null;
  const { units } = headOf(job);
  const ground = solution.landings[budget.source]!.groundLevel;
  const { form } = elementOf(job, 'discharge', discharge)!;
  const control = OUTFALLS[form].controlCalled;
  // Behind a pop-up's lid the line stands full, and what is less than nothing is how deep.
  const stands = form === 'popup' && budget.left < 0;
  return {
    title: 'Fall budget',
    says: `From ${nameOf(job, budget.source)}, the tightest start, to ${nameOf(job, discharge)}.`,
    formula: 'left = (ground − cover − pipe) − control level − what each stretch needs',
    numbers: [
      `Drop available: ground ${text(showLevel(ground, units))}, less cover, pipe and ${control} = ${text(showSmall(budget.available, units))}`,
      ...(budget.setDeeper > 0.0005 ? [`Set deeper at the head: − ${text(showSmall(budget.setDeeper, units))}`] : []),
      ...budget.spent.map(({ run, fall }) => `${nameOf(job, run)}: − ${text(showSmall(fall, units))}`),
      ...(Math.abs(budget.growth) > 0.0005
        ? [`Pipe grows, crown to crown: − ${text(showSmall(budget.growth, units))}`]
        : []),
      stands
        ? `${text(showSmall(-budget.left, units))} under ${control}: the line stands full`
        : `Left: ${text(showSmall(budget.left, units))}`,
    ],
    result: showSmall(stands ? -budget.left : budget.left, units),
    source: 'Levels and least pitches of this job; a dip in the ground makes its stretch need more.',
  };
}
