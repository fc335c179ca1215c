/** Every derived figure of a job, before anything is judged. SI throughout; levels are m above the job's own zero. */
import type { Regime } from '../hydraulics/backwater';
import type { RunFlow } from '../hydraulics/runFlow';
import type { InletPlan } from '../inlets';
import type { Landing, Run } from '../job/kinds';
import type { Settings } from '../job/settings';
import type { FallBudget } from '../network/budget';
import type { OnSlope } from '../runoff/bypass';
import type { Sources } from '../runoff/sources';
import type { Openings } from './openings';

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

export interface RunPlan extends RunFlow {
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
  leastCover: number;
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
  widestAbove: number;
  /** Time that its water takes down it, s; 0 when dry. */
  travelTime: number;
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
  sources: Sources;
  /** Inlets on a slope, by id: what they take, and pass on. */
  onSlope: ReadonlyMap<string, OnSlope>;
  /** Basins, channel drains and downspouts, by id. */
  inlets: Record<string, InletPlan>;
  /** Doors and window wells in a rarer rain; null when there are none, or no such rain is said. */
  openings: Openings | null;
  /** Runs that fit in no line, by id. */
  stray: string[];
}

/** A record keyed by ids that come from outside: without a prototype, so that no id finds what nobody put in. */
export const byId = <T>(): Record<string, T> => Object.create(null) as Record<string, T>;
