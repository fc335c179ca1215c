/** Workings of a run's figures. */
import { MATERIAL_FACTS } from '../../catalogue/pipes';
import { plannedCover } from '../../network/leastOf';
import { elementOf, headOf, nameOf, rainOf, type Job } from '../../job/job';
import type { RunPlan, Solution } from '../../plan/solution';
import {
  decimals,
  showArea,
  showFlow,
  showLength,
  showLevel,
  showPitch,
  showPitchTrade,
  showRain,
  showSeconds,
  showShear,
  showSmall,
  showVelocity,
  text,
  type UnitSystem,
} from '../../units';
import { inBoth, sumsIn, type Working } from './working';
import { situated } from '../../yard/situate';

export const RUN_QUANTITIES = [
  'flow',
  'capacity',
  'depth',
  'velocity',
  'travelTime',
  'pitch',
  'drop',
  'inverts',
  'cover',
  'shear',
  'water',
] as const;
export type RunQuantity = (typeof RUN_QUANTITIES)[number];

const MANNING =
  'Manning’s formula for a round pipe, n constant with depth: Chow, Open-Channel Hydraulics (1959), ch. 5–6.';

type RunWorking = (run: RunPlan, job: Job, solution: Solution, units: UnitSystem) => Working;

const flow: RunWorking = (run, job, _solution, units) => ({
  title: 'Design flow',
  says: 'All the roof and ground whose water comes down this pipe, each counted once, in the design rain.',
  formula: 'Q = i × Σ (C × A)',
  numbers: [
    `i = ${text(showRain(run.intensity, units))}${rainSource(job)}, over ${decimals(run.timeOfConcentration / 60, 1)} min`,
    `Σ (C × A) = ${sumsIn(units).area(run.countedArea)}${run.countedArea < run.effectiveArea * (1 - 1e-9) ? `, arrived by then, of ${text(showArea(run.effectiveArea, units))}` : ''}`,
    `Q = ${sumsIn(units).rain(run.intensity)} × ${sumsIn(units).area(run.countedArea)}${run.fixedFlow > 0 ? ` + ${sumsIn(units).flow(run.fixedFlow)} that always runs` : ''} = ${sumsIn(units).flow(run.flow)}`,
  ],
  result: showFlow(run.flow, units),
  source:
    'Rational method (Kuichling 1889), as in ASCE Manual of Practice 77. Each part keeps the time it has been on its way, 5 min at least; the time that gives most counts.',
});

function rainSource(job: Job): string {
  const rain = rainOf(job);
  return rain && rain.source.type !== 'typed' ? `, ${rain.source.place}, ${rain.source.returnPeriod}-year` : '';
}

const besides = (job: Job, run: RunPlan): string => {
  const element = job.elements.get(run.id);
  return element?.kind === 'run' && (element.parallel ?? 1) > 1 ? `${element.parallel} pipes × ` : '';
};

const capacity: RunWorking = (run, job, _solution, units) => ({
  title: 'Full capacity',
  says: 'What the pipe carries running full, with no pressure on it.',
  formula: `Q = ${sumsIn(units).manning}(π D² / 4) × (D / 4)^⅔ × √S / n`,
  numbers: [
    `D = ${text(showSmall(run.diameter, units))} inside = ${sumsIn(units).length(run.diameter, 4)}`,
    `S = ${text(showPitch(run.pitch))}, n = ${run.roughness} (${MATERIAL_FACTS[run.material].label})`,
    run.pitch > 0
      ? `Q = ${besides(job, run)}${sumsIn(units).manning}${sumsIn(units).plainArea((Math.PI * run.diameter ** 2) / 4, 6)} × ${sumsIn(units).plain(run.diameter / 4)}^⅔ × ${decimals(Math.sqrt(run.pitch), 5)} / ${run.roughness} = ${sumsIn(units).cubic(run.capacity)}`
      : 'The pipe does not fall, so it carries nothing by itself.',
  ],
  result: showFlow(run.capacity, units),
  source: MANNING,
});

const depth: RunWorking = (run, _job, _solution, units) => ({
  title: 'Depth of water',
  says: run.overloaded
    ? 'More water than the pipe holds: it runs full and under pressure.'
    : 'How deep the design flow runs in the pipe.',
  formula: 'Q / Q full = (θ − sin θ)^(5/3) / (2π θ^⅔),  y = D/2 × (1 − cos ½θ)',
  numbers: [
    `Q / Q full = ${text(showFlow(run.flow, units))} / ${text(showFlow(run.capacity, units))} = ${run.capacity > 0 ? decimals(run.flow / run.capacity, 3) : 'no capacity'}`,
    `y / D = ${decimals(run.depthRatio, 3)}, solved for θ`,
  ],
  result: showSmall(run.depth, units),
  source: MANNING,
});

const velocity: RunWorking = (run, _job, solution, units) => ({
  title: 'Velocity',
  says: 'How fast the design flow runs. Too slow leaves grit; too fast wears joints and scours the outfall.',
  formula: 'V = Q / A,  A = D²/8 × (θ − sin θ)',
  numbers: [
    `Q = ${sumsIn(units).flow(run.flow)} at y = ${text(showSmall(run.depth, units))} in D = ${text(showSmall(run.diameter, units))}`,
    `Wanted: ${text(showVelocity(solution.settings.leastVelocity, units))} to ${text(showVelocity(solution.settings.highVelocity, units))}`,
  ],
  result: showVelocity(run.velocity, units),
  source: MANNING,
});

const travelTime: RunWorking = (run, _job, _solution, units) => ({
  title: 'Time to run through',
  says: 'How long the design flow takes from one end to the other; what comes from farther off arrives that much later.',
  formula: 't = length / V',
  numbers: [
    run.travelTime > 0
      ? `${sumsIn(units).length(run.length)} in ${decimals(run.travelTime, 1)} s: ${text(showVelocity(run.length / run.travelTime, units))} along its whole length`
      : 'No water runs here.',
  ],
  result: showSeconds(run.travelTime),
  source: 'Geometry, at the velocity of the design flow along the pipe.',
});

const pitch: RunWorking = (run, job, _solution, units) => ({
  title: 'Pitch',
  says: gradeSays(job, run),
  formula: 'S = (upper invert − lower invert) / length',
  numbers: [
    `(${text(showLevel(run.invertUp, units))}) − (${text(showLevel(run.invertDown, units))}) = ${text(showSmall(run.drop, units))}`,
    `over ${text(showLength(run.length, units))}: ${text(showPitch(run.pitch))} = ${text(showPitchTrade(run.pitch, units))}`,
    `Least for this pipe: ${text(showPitch(run.leastPitch))}`,
  ],
  result: showPitch(run.pitch),
  source: 'Least pitch: 1% by trade habit, ½% for smooth pipe from 6 in; both can be changed for the job.',
});

function gradeSays(job: Job, run: RunPlan): string {
  const element = job.elements.get(run.id);
  const type = element?.kind === 'run' ? element.grade.type : 'auto';
  if (type === 'pitch') return 'Set by you for this stretch.';
  if (type === 'levels') return 'Follows from levels that you set.';
  return headOf(job).pitchStyle === 'single'
    ? 'One setting for the whole line, the least to dig that clears the cover.'
    : 'As shallow as cover and least pitch allow.';
}

const drop: RunWorking = (run, _job, _solution, units) => ({
  title: 'Drop',
  says: 'How much lower the pipe’s end lies than its start.',
  formula: 'drop = pitch × length',
  numbers: [
    `${decimals(run.pitch * 100, 3)}% × ${sumsIn(units).length(run.length)} = ${sumsIn(units).length(run.drop)}`,
  ],
  result: showSmall(run.drop, units),
  source: 'Geometry.',
});

const inverts: RunWorking = (run, job, _solution, units) => ({
  title: 'Inverts',
  says: 'The inside bottom of the pipe at its two ends, above the job’s zero. Pipes meet crown to crown.',
  formula: 'invert = crown − inside diameter;  crown = the lowest of ground − cover and what arrives from above',
  numbers: [
    `${nameOf(job, run.from)}: crown ${text(showLevel(run.crownUp, units))} − ${text(showSmall(run.diameter, units))} = ${text(showLevel(run.invertUp, units))}`,
    `${nameOf(job, run.to)}: crown ${text(showLevel(run.crownDown, units))} − ${text(showSmall(run.diameter, units))} = ${text(showLevel(run.invertDown, units))}`,
  ],
  result: showLevel(run.invertUp, units),
  source:
    'Shallowest feasible levels: one pass downstream; every bound is from above, so the highest set of levels is unique.',
});

/** Where a run that comes out of the ground must be covered last. */
function comesOut(run: RunPlan, units: UnitSystem): string {
  const crown = run.crownUp - run.pitch * (run.length - run.comesOutOver);
  const before = `${text(showLength(run.comesOutOver, units))} before its end, where it may begin to come out`;
  if (run.comesOutOver >= run.length - 1e-9) return 'It comes out to daylight, and may do so over all of its length';
  const ground = run.bankAssumed ? `, where the ground is assumed` : '';
  return `${before}${ground}: (${text(showLevel(run.coveredGround, units))}) − (${text(showLevel(crown, units))}) = ${text(showSmall(run.coveredGround - crown, units))}`;
}

const cover: RunWorking = (run, job, solution, units) => ({
  title: 'Cover',
  says: 'Soil between the ground and the pipe’s crown.',
  formula: 'cover = ground − crown',
  numbers: [
    `${nameOf(job, run.from)}: (${text(showLevel(run.groundUp, units))}) − (${text(showLevel(run.crownUp, units))}) = ${text(showSmall(run.coverUp, units))}`,
    run.coverDown === null
      ? comesOut(run, units)
      : `${nameOf(job, run.to)}: (${text(showLevel(run.groundDown, units))}) − (${text(showLevel(run.crownDown, units))}) = ${text(showSmall(run.coverDown, units))}`,
    `Planned ${text(showSmall(plannedCover(elementOf(job, 'run', run.id)!, solution.settings), units))}, least ${text(showSmall(run.leastCover, units))}`,
  ],
  result: showSmall(run.cover, units),
  source:
    'Trade habit: 6 in least and 12 in planned under turf; more under cars by material; 1 in of concrete in a slab that is only walked on. Frost and local code may ask more.',
});

const shear: RunWorking = (run, _job, solution, units) => ({
  title: 'Keeping clean',
  says: run.cleans
    ? 'An ordinary rain moves the grit that roofs shed.'
    : 'An ordinary rain leaves grit lying in this pipe.',
  formula: `τ = ρ g R S  against  τc = ${sumsIn(units).critical} d^0.277, d in mm`,
  numbers: [
    `Ordinary rain ${text(showRain(solution.settings.ordinaryRain, units))}: ${text(showFlow(run.ordinaryFlow, units))}, ${text(showSmall(run.ordinaryDepth, units))} deep`,
    run.pitch > 0 && run.flow > 0
      ? `τ = ${sumsIn(units).weight} × ${sumsIn(units).plain(run.ordinaryShear / (9806.65 * run.pitch), 5)} × ${decimals(run.pitch, 5)} = ${sumsIn(units).drag(run.ordinaryShear)}`
      : 'No flow, or no fall.',
    `τc = ${sumsIn(units).critical} × ${decimals(solution.settings.gritSize * 1000, 1)}^0.277 = ${sumsIn(units).drag(run.criticalShear)}, for grit of ${text(showSmall(solution.settings.gritSize, units))}`,
    `and ${text(showVelocity(run.velocity, units))} at the design rain, against ${text(showVelocity(solution.settings.leastVelocity, units))}`,
  ],
  result: showShear(run.ordinaryShear, units),
  source:
    'Tractive force with critical shear by grit size (ASCE gravity sewer design, 2007), and the 2 ft/s rule at the design flow.',
});

const REGIMES: Record<RunPlan['regime'], string> = {
  dry: 'No water runs here.',
  full: 'The pipe is under pressure all along: the level rises upstream by friction.',
  partFull: 'The level below rules the depth all along, by backwater.',
  filling: 'Part of the pipe runs full and part does not.',
  steep: 'Steep and free: critical depth at its head, and fast from there.',
  drowned: 'Steep, with its foot under the level below.',
};

const water: RunWorking = (run, job, _solution, units) => ({
  title: 'Water line',
  says: REGIMES[run.regime],
  formula: 'full: Sf = (n Q)² / (A² R^(4/3));  part full: dy/dx = (S0 − Sf) / (1 − F²), from the discharge up',
  numbers: [
    `${nameOf(job, run.to)}: level ${text(showLevel(run.waterDown, units))}, ${text(showSmall(run.waterDown - run.invertDown, units))} over the invert`,
    `${nameOf(job, run.from)}: level ${text(showLevel(run.waterUp, units))}, ${text(showSmall(run.waterUp - run.invertUp, units))} over the invert`,
    `Crown there ${text(showLevel(run.crownUp, units))}, ground ${text(showLevel(run.groundUp, units))}`,
  ],
  result: showLevel(run.waterUp, units),
  source:
    'Gradually varied flow and friction slope by Manning: Chow, Open-Channel Hydraulics (1959), ch. 9–10. Losses K V²/2g at basins, wyes and bends.',
});

const RUN_WORKINGS: Record<RunQuantity, RunWorking> = {
  flow,
  capacity,
  depth,
  velocity,
  travelTime,
  pitch,
  drop,
  inverts,
  cover,
  shear,
  water,
};

/** Working of one figure of a run; null when the run is not in the plan. */
export function runWorking(given: Job, solution: Solution, id: string, quantity: RunQuantity): Working | null {
  const job = situated(given, solution);
  const run = solution.runs[id];
  return run ? inBoth(headOf(job).units, (units) => RUN_WORKINGS[quantity](run, job, solution, units)) : null;
}
