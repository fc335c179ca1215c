/** Every derived figure of a job, before anything is judged. SI throughout; levels are m above the job's own zero. */
import type { Regime } from '../hydraulics/backwater';
import type { RunFlow } from '../hydraulics/runFlow';
import type { InletPlan } from '../inlets';
import type { Job } from '../job/job';
import type { Landing, Run } from '../job/kinds';
import type { Settings } from '../job/settings';
import type { FallBudget } from '../network/budget';
import type { DoorPlan } from '../openings/doors';
import type { OnSlope } from '../runoff/bypass';
import type { WayFlow } from '../runoff/groundWays';
import type { Sources } from '../runoff/sources';
import type { WorkPlan } from '../works';

export interface LandingPlan {
  id: string;
  kind: Landing['kind'];
  groundLevel: number;
  /** Crown and invert where the leaving run starts, or at a discharge where the arriving one ends, m; null with no pipe. */
  crown: number | null;
  invert: number | null;
  /** Cover over the crown, m. */
  cover: number | null;
  /** C·A that enters here, and that passes on, m². */
  enteringArea: number;
  passingArea: number;
  /** The same as design flow, m³/s. */
  entering: number;
  passing: number;
  /** Discharge that its water reaches, by id. */
  outlet: string | null;
  /** Water line here in the design rain, m; null with no pipe. */
  waterLevel: number | null;
}

export interface RunPlan extends Omit<RunFlow, 'surcharged'> {
  id: string;
  from: string;
  to: string;
  /** Letter of its line. */
  line: string;
  length: number;
  material: Run['material'];
  nominal: number;
  diameter: number;
  roughness: number;
  /** Fall over length, m/m, and the least asked. */
  pitch: number;
  leastPitch: number;
  /** m from upper to lower invert */
  drop: number;
  invertUp: number;
  invertDown: number;
  crownUp: number;
  crownDown: number;
  groundUp: number;
  groundDown: number;
  coverUp: number;
  /** Null where the pipe comes out of the ground. */
  coverDown: number | null;
  /** Least of what lies over it, m: at its head, and at its foot or where it may begin to come out; and the length over which it may, m. */
  cover: number;
  comesOutOver: number;
  /** Ground where the least cover is asked last, m. */
  coveredGround: number;
  /** True where nobody has said or measured what the ground does from there to its end. */
  bankAssumed: boolean;
  leastCover: number;
  /** Greatest depth of its trench, m: ground less invert. */
  trenchDepth: number;
  effectiveArea: number;
  flow: number;
  ordinaryFlow: number;
  /** How the design flow came: rain (m/s) of its time of concentration (s), on the C·A (m²) that had arrived by then, and fixed flows (m³/s). */
  intensity: number;
  timeOfConcentration: number;
  countedArea: number;
  fixedFlow: number;
  /** Water line at its two ends, m, and what rules it. */
  waterUp: number;
  waterDown: number;
  regime: Regime;
  /** How many such pipes lie side by side, and the widest that comes in above, m. */
  parallel: number;
  /** Fastest that its water runs anywhere in it, m/s: a short steep pipe does not come to the speed of a long one. */
  topVelocity: number;
  widestAbove: number;
  /** Time that its water takes down it, s; 0 when dry. */
  travelTime: number;
}

/** How a pipe ends in a way out, as it is laid. */
export interface PipeEnd {
  run: string;
  discharge: string;
  invert: number;
  /** Lowest that it may be there, m: the way out's control level. */
  control: number;
  /** Invert less that, m; less than 0 where it ends too low. */
  over: number;
  /** m along the line from its end back to where its invert comes down to the control level; 0 when it does not. */
  shortBy: number;
  /** Into a main: how far above it the pipe comes in, m; 0 where it comes into the main itself. */
  drop: number;
}

/** Water that stays in the line behind a pop-up after the rain. */
export interface StandingWater {
  /** Over the lowest invert, m; over how much of pipe, m; and how much it is, m³. */
  depth: number;
  length: number;
  volume: number;
  /** Whether something that always runs keeps it so. */
  fed: boolean;
  /** Time until it has drained, s; null where nothing drains it. */
  drainTime: number | null;
}

/** Doors and window wells in the rarer rain. */
export interface Openings {
  returnPeriod: number;
  /** Of the 5-minute rain, m/s. */
  intensity: number;
  /** How far the water stays below the sill at each inlet that protects one, m; less than 0 when it stands over it. */
  freeboards: Readonly<Record<string, number>>;
  /** Every opening that is drawn. */
  doors: readonly DoorPlan[];
  /** What the gutter over each downspout spills beside the wall in it, where it does, m³/s. */
  spills: Readonly<Record<string, number>>;
}

export interface Solution {
  /** Rain used, m/s; 0 when the job has none. */
  rain: number;
  settings: Settings;
  landings: Record<string, LandingPlan>;
  runs: Record<string, RunPlan>;
  lines: { letter: string; runs: string[] }[];
  /** The tightest route into each discharge, tightest of all first; `budgetFrom` gives any other. */
  budgets: FallBudget[];
  /** Every pipe that ends in a way out. */
  ends: PipeEnd[];
  /** By way out that does not drain dry; only those where water stays. */
  standing: Readonly<Record<string, StandingWater>>;
  sources: Sources;
  /** Inlets on a slope, by id: what they take, and pass on. */
  onSlope: ReadonlyMap<string, OnSlope>;
  /** Basins, channel drains and downspouts, by id. */
  inlets: Record<string, InletPlan>;
  /** Works that are not pipe, by id; and the same in the rarer rain, null where none is said. */
  works: Readonly<Record<string, WorkPlan>>;
  rarerWorks: Readonly<Record<string, WorkPlan>> | null;
  /** Every opening that is drawn, in the design rain. */
  doors: readonly DoorPlan[];
  /** What comes down every open way, by id. */
  ways: ReadonlyMap<string, WayFlow>;
  /** Doors and window wells in a rarer rain; null when there are none, or no such rain is said. */
  openings: Openings | null;
  /** Runs that fit in no line, by id. */
  stray: string[];
  /** The job as its places say, with what was worked out of it: what the next plan may keep. */
  readonly here?: Job;
}

/** A record keyed by ids that come from outside: without a prototype, so that no id finds what nobody put in. */
export const byId = <T>(): Record<string, T> => Object.create(null) as Record<string, T>;
