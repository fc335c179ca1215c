/** How a figure came about, on one screen: the formula, the job's own numbers in it, the result and the source. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { SURFACE_FACTS } from '../catalogue/surfaces';
import { headOf, nameOf, rainOf, type Job } from '../job/job';
import type { RoofFace } from '../job/elements';
import { planArea, windFactor } from '../runoff/roofArea';
import type { RunPlan, Solution } from '../solve';
import {
  decimals,
  showArea,
  showFlow,
  showLength,
  showLevel,
  showPitch,
  showPitchTrade,
  showRain,
  showShear,
  showSmall,
  showVelocity,
  text,
  type Shown,
  type UnitSystem,
} from '../units';

export interface Working {
  title: string;
  /** What the figure is, in a crew lead's words. */
  says: string;
  formula: string;
  /** The formula with this job's numbers, SI as computed. */
  numbers: string[];
  result: Shown;
  source: string;
}

export const RUN_QUANTITIES = [
  'flow',
  'capacity',
  'depth',
  'velocity',
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
const si = (value: number, places: number, unit: string): string => `${decimals(value, places)} ${unit}`;

/** SI as computed, for the numbers of a working. */
export const litres = (flow: number): string => `${decimals(flow * 1000, 2)} L/s`;
export const metres = (value: number): string => `${decimals(value, 3)} m`;

type RunWorking = (run: RunPlan, job: Job, solution: Solution, units: UnitSystem) => Working;

const flow: RunWorking = (run, job, _solution, units) => ({
  title: 'Design flow',
  says: 'All the roof and ground whose water comes down this pipe, each counted once, in the design rain.',
  formula: 'Q = i × Σ (C × A)',
  numbers: [
    `i = ${text(showRain(run.intensity, units))} = ${si(run.intensity * 3.6e6, 1, 'mm/h')}${rainSource(job)}, over ${si(run.concentration / 60, 1, 'min')}`,
    `Σ (C × A) = ${si(run.countedArea, 2, 'm²')} = ${text(showArea(run.countedArea, units))}${run.countedArea < run.effectiveArea * (1 - 1e-9) ? `, arrived by then, of ${text(showArea(run.effectiveArea, units))}` : ''}`,
    `Q = ${run.intensity.toExponential(3)} m/s × ${si(run.countedArea, 2, 'm²')}${run.fixedFlow > 0 ? ` + ${si(run.fixedFlow * 1000, 3, 'L/s')} that always runs` : ''} = ${si(run.flow * 1000, 3, 'L/s')}`,
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
  const element = job.elements[run.id];
  return element?.kind === 'run' && (element.parallel ?? 1) > 1 ? `${element.parallel} pipes × ` : '';
};

const capacity: RunWorking = (run, job, _solution, units) => ({
  title: 'Full capacity',
  says: 'What the pipe carries running full, with no pressure on it.',
  formula: 'Q = (π D² / 4) × (D / 4)^⅔ × √S / n',
  numbers: [
    `D = ${text(showSmall(run.diameter, units))} inside = ${si(run.diameter, 4, 'm')}`,
    `S = ${text(showPitch(run.pitch))}, n = ${run.roughness} (${MATERIAL_FACTS[run.material].label})`,
    run.pitch > 0
      ? `Q = ${besides(job, run)}${si((Math.PI * run.diameter ** 2) / 4, 6, 'm²')} × ${si((run.diameter / 4) ** (2 / 3), 5, '')}× ${decimals(Math.sqrt(run.pitch), 5)} / ${run.roughness} = ${si(run.capacity * 1000, 3, 'L/s')}`
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
    `Q = ${si(run.flow * 1000, 3, 'L/s')} at y = ${si(run.depth * 1000, 1, 'mm')} in D = ${si(run.diameter * 1000, 1, 'mm')}`,
    `Wanted: ${text(showVelocity(solution.settings.leastVelocity, units))} to ${text(showVelocity(solution.settings.highVelocity, units))}`,
  ],
  result: showVelocity(run.velocity, units),
  source: MANNING,
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
  const element = job.elements[run.id];
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
  numbers: [`${text(showPitch(run.pitch))} × ${text(showLength(run.length, units))} = ${si(run.drop, 4, 'm')}`],
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

const cover: RunWorking = (run, job, solution, units) => ({
  title: 'Cover',
  says: 'Soil between the ground and the pipe’s crown.',
  formula: 'cover = ground − crown',
  numbers: [
    `${nameOf(job, run.from)}: (${text(showLevel(run.groundUp, units))}) − (${text(showLevel(run.crownUp, units))}) = ${text(showSmall(run.coverUp, units))}`,
    run.coverDown === null
      ? `${nameOf(job, run.to)}: comes out to daylight`
      : `${nameOf(job, run.to)}: (${text(showLevel(run.groundDown, units))}) − (${text(showLevel(run.crownDown, units))}) = ${text(showSmall(run.coverDown, units))}`,
    `Planned ${text(showSmall(solution.settings.cover, units))}, least ${text(showSmall(run.leastCover, units))}`,
  ],
  result: showSmall(Math.min(run.coverUp, run.coverDown ?? Number.POSITIVE_INFINITY), units),
  source:
    'Trade habit: 6 in least and 12 in planned under turf; more under cars by material. Frost and local code may ask more.',
});

const shear: RunWorking = (run, _job, solution, units) => ({
  title: 'Keeping clean',
  says: run.cleans
    ? 'An ordinary rain moves the grit that roofs shed.'
    : 'An ordinary rain leaves grit lying in this pipe.',
  formula: 'τ = ρ g R S  against  τc = 0.867 d^0.277',
  numbers: [
    `Ordinary rain ${text(showRain(solution.settings.ordinaryRain, units))}: ${text(showFlow(run.ordinaryFlow, units))}, ${si(run.ordinaryDepth * 1000, 1, 'mm')} deep`,
    run.pitch > 0 && run.flow > 0
      ? `τ = 1000 × 9.807 × ${si(run.ordinaryShear / (9806.65 * run.pitch), 5, 'm')} × ${decimals(run.pitch, 5)} = ${si(run.ordinaryShear, 2, 'Pa')}`
      : 'No flow, or no fall.',
    `τc = 0.867 × ${decimals(solution.settings.gritSize * 1000, 1)}^0.277 = ${si(run.criticalShear, 2, 'Pa')}`,
    `and ${text(showVelocity(run.velocity, units))} at the design rain, against ${text(showVelocity(solution.settings.leastVelocity, units))}`,
  ],
  result: showShear(run.ordinaryShear),
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
  pitch,
  drop,
  inverts,
  cover,
  shear,
  water,
};

/** Working of one figure of a run; null when the run is not in the plan. */
export function runWorking(job: Job, solution: Solution, id: string, quantity: RunQuantity): Working | null {
  const run = solution.runs[id];
  return run ? RUN_WORKINGS[quantity](run, job, solution, headOf(job).units) : null;
}

/** Working of a roof face's or surface's water. */
export function shedWorking(job: Job, solution: Solution, id: string): Working | null {
  const shed = solution.sources.sheds.find((each) => each.id === id);
  const element = job.elements[id];
  if (!shed || (element?.kind !== 'roofFace' && element?.kind !== 'surface')) return null;
  const { units } = headOf(job);
  return {
    title: `Water off ${element.name}`,
    says: 'What it sheds in the design rain.',
    formula: 'Q = i × C × A',
    numbers: [
      ...(element.kind === 'roofFace'
        ? roofNumbers(element, units)
        : [`A = ${text(showArea(element.area, units))}, ${SURFACE_FACTS[element.cover].label.toLowerCase()}`]),
      `C = ${decimals(shed.coefficient, 2)}${element.coefficient === undefined ? ', usual' : ', set by you'}`,
      `Q = ${text(showRain(solution.rain, units))} × ${decimals(shed.coefficient, 2)} × ${text(showArea(shed.area, units))} = ${si(shed.effectiveArea * solution.rain * 1000, 3, 'L/s')}`,
    ],
    result: showFlow(shed.effectiveArea * solution.rain, units),
    source: 'Rational method (Kuichling 1889); coefficients from ASCE Manual of Practice 77.',
  };
}

function roofNumbers(face: RoofFace, units: UnitSystem): string[] {
  const { shape } = face;
  const flat = planArea(face);
  if (shape.type === 'area') return [`A = ${text(showArea(flat, units))} in plan, as entered`];
  const level = flat / shape.width;
  const laid = shape.alongSlope
    ? ` (${text(showLength(shape.run, units))} up the slope at ${decimals(shape.pitch * 12, 0)}/12, laid flat)`
    : '';
  const lines = [
    `A = ${text(showLength(shape.width, units))} × ${text(showLength(level, units))}${laid} = ${text(showArea(flat, units))}`,
  ];
  if (face.windDriven) lines.push(`wind-driven × ${decimals(windFactor(shape.pitch), 2)}`);
  return lines;
}

/** Working of the fall budget of the tightest route into a discharge. */
export function budgetWorking(job: Job, solution: Solution, discharge: string): Working | null {
  const budget = solution.budgets.find((each) => each.discharge === discharge);
  if (!budget) return null;
  const { units } = headOf(job);
  const ground = solution.landings[budget.source]!.groundLevel;
  const element = job.elements[discharge];
  const control =
    element?.kind === 'discharge' && element.form === 'popup' ? 'the raised lid' : 'the lowest the pipe may come out';
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
      `Left: ${text(showSmall(budget.left, units))}`,
    ],
    result: showSmall(budget.left, units),
    source: 'Levels and least pitches of this job; a dip in the ground makes its stretch need more.',
  };
}
