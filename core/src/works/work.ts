/** What a work that is not pipe tells of itself: one entry a work, in the one file that is named for it. */
import type { Item } from '../catalogue/items';
import type { Soil } from '../catalogue/soils';
import type { Surface as GroundSurface } from '../ground/surface';
import type { Element, ElementKind, Swale } from '../job/kinds';
import type { Settings } from '../job/settings';
import type { Kept } from '../numeric/kept';
import type { Shown, UnitSystem } from '../units';
import type { LevelAt } from './levelAt';
import type { Storm } from './storm';

/** The ground that works lie in: its soil, where the job says it, and its surface, where it was levelled. */
export interface InGround {
  soil: Soil | undefined;
  ground: GroundSurface | null;
}

/** The same with the swales that may lie over what is in it. */
export interface UnderSwales extends InGround {
  swales: readonly Swale[];
}

/** What comes to a landing: flows, m³/s, that come in there, that pass it, and that always run; and C·A that comes in there, and passes, m². */
export interface AtLanding {
  entering: number;
  passing: number;
  fixed: number;
  enteringArea: number;
  passingArea: number;
}

/** Water in the open: how high it stands, m, and what of it runs on from there over the ground, m³/s. */
export interface Stands {
  level: number;
  runs: number;
}

/** What a work may ask of the plan that it stands in. */
export interface Here extends InGround {
  settings: Settings;
  levelAt: LevelAt;
  /** The storm that what stores water is tried with. */
  storm: Storm;
  /** What comes down an open way, m³/s. */
  comesDown(id: string): number;
  at(id: string): AtLanding;
  /** Inside diameter of the pipe that leaves a landing, m; null without one. */
  outletOf(id: string): number | null;
  /** What was planned before it. */
  planOf(id: string): unknown;
  element(id: string): Element | undefined;
  kept: Kept;
}

/**
 * When a work is planned, each after those before it: open ways from the foot of the yard up, as what each runs into stands against it; what
 * stands beside them; landings; and what lies at a way out.
 */
export const TURNS = ['way', 'beside', 'landing', 'outlet'] as const;
export type Turn = (typeof TURNS)[number];

/** What is counted of a work: so much of an item, in its own unit, or that it has no size to be counted by. */
export type Counted = { item: Item; quantity?: number } | 'noSize';

/** A figure that a crew lead asks for. */
export interface Fact {
  label: string;
  shown: Shown;
  tone?: 'stop' | 'fix';
}

export interface Work<E extends Element, P> {
  /** The kind of element that it is; of a way out, `isOne` tells which. */
  of: E['kind'];
  isOne?(element: E): boolean;
  /** What it leads off whatever the sky does: planned before any rain. */
  always?(element: E, ground: UnderSwales): P;
  /** What it does in a rain. */
  inRain?: { turn: Turn; plan(element: E, here: Here): P };
  /** The same with the water of the line under it standing at a level, m: it comes up where that is higher. */
  inLine?(plan: P, element: E, waterLevel: number): P;
  /** Water in the open at it: how high that stands, m, and what of it runs on over the ground, m³/s; null where there is none. */
  inOpen?(plan: P, element: E): Stands | null;
  /** Water that it makes stand against the pipes that end in it, m. */
  stands?(plan: P): number;
  /** Whether it is dug along a way or an outline of its own. */
  dug: boolean;
  /** What is bought and moved for it; `plan` is absent where it has none. */
  count(element: E, plan: P | undefined): readonly Counted[];
  /** What is told of it, the figure that stands beside it on the ground plan first. */
  /** `entering`: all that comes into it as a landing, m³/s, its own ground water and springs among it. */
  facts(plan: P, units: UnitSystem, entering: number): Fact[];
  /** That figure, where it is another. */
  figure?(element: E, units: UnitSystem): Shown;
  /** Among what it is drawn on paper. */
  layer: 'works' | 'inlets';
}

/** Any work's entry, its functions taking any element and plan: only ever called with its own. */
export type AnyWork = Work<Element, { kind: string }> & { of: ElementKind };

/** An entry as its own file writes it. */
export const work = <E extends Element, P>(entry: Work<E, P>): Work<E, P> => entry;
