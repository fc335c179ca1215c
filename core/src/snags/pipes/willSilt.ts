import { choicesOf } from '../../network/choices';
import type { RunPlan, Solution } from '../../plan/solution';
import { METRES_PER_INCH } from '../../units/constants';
import { valuesOf } from '../valuesOf';
import type { Rule } from '../snag';

/** Least pitch that is worth its digging to keep a pipe clean, m/m. */
const STEEPER = 0.015;

/** What a single downspout is laid in: the trade keeps it clean by its size, and a little roof brings little grit, m: 3 in. */
const LEAST_LAID = 3 * METRES_PER_INCH;

/** Whether another size, or the fall that is left over, may keep it clean. Where neither can, it is a matter of care. */
function canBeMended(solution: Solution, run: RunPlan): boolean {
  if (run.nominal <= LEAST_LAID + 1e-6) return false;
  if (choicesOf(solution, run).some(({ verdict }) => verdict === 'works')) return true;
  const { outlet } = solution.landings[run.from] ?? {};
  const spare = solution.budgets.find(({ discharge }) => discharge === outlet)?.left ?? 0;
  const own = choicesOf(solution, { ...run, pitch: STEEPER }).find(({ nominal }) => nominal === run.nominal);
  return run.pitch < STEEPER && own?.cleans === true && spare >= (STEEPER - run.pitch) * run.length;
}

/** An ordinary rain leaves the grit where it lies. */
export const willSilt: Rule = {
  code: 'willSilt',
  short: 'holds grit',
  find: (job, solution) =>
    valuesOf(job, solution.runs)
      // Without rain there is no grit: ground water comes clear through its stone.
      // Nor where it comes down over the ground into a barrel.
      .filter(
        (run) =>
          job.elements.get(run.to)?.kind !== 'barrel' &&
          run.pitch > 0 &&
          run.effectiveArea > 0 &&
          !run.overloaded &&
          !run.cleans,
      )
      .map((run) => {
        const about = { code: 'willSilt', severity: canBeMended(solution, run) ? 'fix' : 'mind', at: run.id } as const;
        return run.ordinaryShear < run.criticalShear
          ? { ...about, measure: 'shear', figure: run.ordinaryShear, limit: run.criticalShear }
          : { ...about, measure: 'velocity', figure: run.velocity, limit: solution.settings.leastVelocity };
      }),
  tell: (snag, say) => {
    const [is, wanted] = [say.show(snag.measure, snag.figure), say.show(snag.measure, snag.limit)];
    const dragged =
      is === wanted
        ? `An ordinary rain drags just too little: grit moves at ${wanted}.`
        : `An ordinary rain drags at ${is}; grit moves at ${wanted}.`;
    const ran =
      is === wanted
        ? `Even the design rain runs a little slower than ${wanted}.`
        : `Even the design rain runs at only ${is}.`;
    return {
      headline: `${say.name(snag.at)} will not keep itself clean.`,
      why: `${snag.measure === 'shear' ? dragged : ran} What settles slowly fills the pipe.`,
      instead:
        'Flush it twice a year, from a cleanout or a basin at its head; a sump before it keeps most of the grit out.',
    };
  },
};
