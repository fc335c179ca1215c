/** Workings of a landing: what enters there, what passes on, and its water line. */
import { headOf, nameOf, ofKind, type Job } from '../../job/job';
import type { LandingPlan, Solution } from '../../plan/solution';
import { showFlow, showLevel, showSmall, text, type UnitSystem } from '../../units';
import { inBoth, sumsIn, type Working } from './working';
import { situated } from '../../yard/situate';

export const LANDING_QUANTITIES = ['entering', 'passing', 'water'] as const;
export type LandingQuantity = (typeof LANDING_QUANTITIES)[number];

const RATIONAL =
  'Rational method (Kuichling 1889), as in ASCE Manual of Practice 77. Each part keeps the time it has been on its way, 5 min at least.';

function entering(job: Job, { sources, works }: Solution, landing: LandingPlan, units: UnitSystem): Working {
  const drain = works[landing.id];
  const seeping = drain?.kind === 'drain' || drain?.kind === 'drainField' ? drain.flow : 0;
  const fixed = (sources.fixed.get(landing.id) ?? 0) + seeping;
  const fed = [...ofKind(job, 'roofFace'), ...ofKind(job, 'surface')].filter(({ feeds }) =>
    feeds.some((feed) => feed.to === landing.id),
  );
  const contributes = (id: string): number =>
    sources.contributingAreas.find((each) => each.id === id)?.effectiveArea ?? 0;
  return {
    title: 'Comes in here',
    says: 'What enters at this place, at its own worst time.',
    formula: 'Q = i × Σ (C × A) + what always runs',
    numbers: [
      ...fed.map(
        ({ id, name, feeds }) =>
          `${name}: C × A = ${sumsIn(units).area(contributes(id))}${feeds.length > 1 ? ', shared with others' : ''}`,
      ),
      `Σ (C × A) that enters = ${sumsIn(units).area(landing.enteringArea)}`,
      ...(fixed > 0 ? [`always: ${sumsIn(units).flow(fixed)}`] : []),
      `Q = ${sumsIn(units).flow(landing.entering)}`,
    ],
    result: showFlow(landing.entering, units),
    source: RATIONAL,
  };
}

function passing(job: Job, { runs }: Solution, landing: LandingPlan, units: UnitSystem): Working {
  const arriving = Object.values(runs).filter((run) => run.to === landing.id);
  return {
    title: landing.kind === 'discharge' ? 'Lets out' : 'Goes on from here',
    says: 'All that has come in here and above, each part counted once, at the time that gives most.',
    formula: 'Q = greatest of i(t) × Σ (C × A arrived by t), + what always runs',
    numbers: [
      ...arriving.map((run) => `${nameOf(job, run.id)}: ${text(showFlow(run.flow, units))}`),
      `enters here: ${text(showFlow(landing.entering, units))}`,
      `Σ (C × A) of all = ${sumsIn(units).area(landing.passingArea)}; parts that peak at different times add up to less than their sum`,
    ],
    result: showFlow(landing.passing, units),
    source: RATIONAL,
  };
}

function water(job: Job, { runs }: Solution, landing: LandingPlan, units: UnitSystem): Working {
  const leaving = Object.values(runs).find((run) => run.from === landing.id);
  const level = landing.waterLevel ?? landing.groundLevel;
  return {
    title: 'Water line here',
    says: 'How high water stands in the pipe here, or would stand if there were a hole over it.',
    formula: 'level = water at the head of the pipe that leaves + K V² / 2g',
    numbers: [
      ...(leaving
        ? [
            `${nameOf(job, leaving.id)}: at its head ${text(showLevel(leaving.waterUp, units))}`,
            `lost on the way into it: ${sumsIn(units).length(Math.max(0, level - leaving.waterUp))}`,
          ]
        : ['The end of the line: the higher of what it lets out into and the depth at which the pipe lets go.']),
      `level ${text(showLevel(level, units))}, ground ${text(showLevel(landing.groundLevel, units))}`,
    ],
    result: showSmall(Math.abs(landing.groundLevel - level), units),
    source:
      'Chow, Open-Channel Hydraulics (1959), ch. 9–10. K is 1.5 from a basin or channel (entry, and the arriving velocity lost), 0.5 through a wye, 1.3 through a tee, 0.3 to 1 round a bend.',
  };
}

/** Working of a landing's figure; null when it is not in the plan. */
export function landingWorking(given: Job, solution: Solution, id: string, quantity: LandingQuantity): Working | null {
  const job = situated(given, solution);
  const landing = solution.landings[id];
  const build = { entering, passing, water }[quantity];
  return landing ? inBoth(headOf(job).units, (units) => build(job, solution, landing, units)) : null;
}
