/** What a job is made of: every kind, and what is derived from their entries. */
import { z } from 'zod';
import { basinKind, type Basin } from './basin';
import { channelKind, type Channel } from './channel';
import { dischargeKind } from './discharge';
import { downspoutKind } from './downspout';
import { fixedFlowKind } from './fixedFlow';
import { jobKind } from './job';
import { junctionKind } from './junction';
import type { Creation, Kind } from './kind';
import { rainKind } from './rain';
import { roofFaceKind } from './roofFace';
import { barrierKind } from './barrier';
import { breaklineKind } from './breakline';
import { buildingKind } from './building';
import { levelBookKind } from './levelBook';
import { openingKind } from './opening';
import { photoKind } from './photo';
import { serviceKind } from './service';
import { soilTestKind } from './soilTest';
import { spotLevelKind } from './spotLevel';
import { treeKind } from './tree';
import { underlayKind } from './underlay';
import { wetSpotKind } from './wetSpot';
import { barrelKind } from './barrel';
import { bermKind, type Berm } from './berm';
import { culvertKind, type Culvert } from './culvert';
import { drainKind } from './drain';
import { drainFieldKind } from './drainField';
import { pavedBedKind } from './pavedBed';
import { sleeveKind } from './sleeve';
import { stoneDrainKind } from './stoneDrain';
import { swaleKind, type Swale } from './swale';
import { runKind } from './run';
import { surfaceKind } from './surface';
import { clearanceKind } from './clearance';
import { stepKind } from './step';
import { variantKind } from './variant';

/** In the order in which a job tells them, and the list of what can be put in. */
const ALL = [
  jobKind,
  rainKind,
  buildingKind,
  openingKind,
  roofFaceKind,
  downspoutKind,
  basinKind,
  channelKind,
  fixedFlowKind,
  surfaceKind,
  junctionKind,
  barrelKind,
  drainKind,
  drainFieldKind,
  stoneDrainKind,
  pavedBedKind,
  swaleKind,
  culvertKind,
  bermKind,
  sleeveKind,
  dischargeKind,
  runKind,
  spotLevelKind,
  levelBookKind,
  wetSpotKind,
  soilTestKind,
  treeKind,
  serviceKind,
  barrierKind,
  breaklineKind,
  underlayKind,
  photoKind,
  clearanceKind,
  stepKind,
  variantKind,
] as const;

type ElementOf<K> = K extends Kind<infer E> ? E : never;
export type Element = ElementOf<(typeof ALL)[number]>;
export type ElementKind = Element['kind'];
export type OfKind<K extends ElementKind> = Extract<Element, { kind: K }>;
/** Places a pipe can start, pass or end. A downspout that lands on a gutter is not one. */
export type Landing = Extract<Element, { groundLevel: number }>;
export type GroundInlet = Basin | Channel;

/** Any kind's entry, its functions taking any element: only ever called with one of its own kind. */
type AnyKind = Kind<Element>;

export const KIND_LIST = ALL as unknown as readonly AnyKind[];
export const ELEMENT_KINDS: readonly ElementKind[] = KIND_LIST.map(
  ({ schema }) => (schema.shape.kind as z.ZodLiteral<ElementKind>).value,
);

const BY_KIND = new Map<ElementKind, AnyKind>(KIND_LIST.map((entry, k) => [ELEMENT_KINDS[k]!, entry]));

/** The entry of a kind. */
export const kindOf = (kind: ElementKind): AnyKind => BY_KIND.get(kind)!;

export const elementSchema = z.discriminatedUnion(
  'kind',
  KIND_LIST.map(({ schema }) => schema) as unknown as [z.ZodObject, ...z.ZodObject[]],
) as unknown as z.ZodType<Element>;

/** Kinds of which some can be a landing. */
export const LANDING_KINDS: readonly ElementKind[] = ELEMENT_KINDS.filter(
  (kind) => kindOf(kind).isLanding !== undefined,
);

export function isLanding(element: Element | undefined): element is Landing {
  return element !== undefined && kindOf(element.kind).isLanding?.(element) === true;
}

/** What leads water on over the ground: a swale, a culvert, a berm's hollow. */
export type GroundWay = Swale | Culvert | Berm;

export const isGroundWay = (element: Element | undefined): element is GroundWay =>
  element !== undefined && kindOf(element.kind).leadsOn === true;

/** Whatever water over the ground can be led to. */
export const isTaker = (element: Element | undefined): element is Landing | GroundWay =>
  isLanding(element) || isGroundWay(element);

/** What ground can be said to shed to. */
export const takesGroundWater = (element: Element): element is (Landing | GroundWay) & { name: string } =>
  kindOf(element.kind).takesGround === true;

export const isGroundInlet = (element: Element | undefined): element is GroundInlet =>
  element !== undefined && kindOf(element.kind).groundInlet === true;

/** Every way to put something in, with the kind that it makes. */
export const CREATIONS: readonly (Creation<Element> & { kind: ElementKind })[] = ELEMENT_KINDS.flatMap((kind) =>
  (kindOf(kind).creations ?? []).map((creation) => ({ ...creation, kind })),
);

export { BARRIER_FORMS, type Barrier, type BarrierForm } from './barrier';
export type { Basin } from './basin';
export { BREAKLINE_FORMS, type Breakline, type BreaklineForm } from './breakline';
export type { Building } from './building';
export { outletsFit, type Channel } from './channel';
export type { Discharge } from './discharge';
export { landsOnGutter, type Downspout } from './downspout';
export { idSchema, type Feed } from './fields';
export { WATER_ORIGINS, type FixedFlow, type WaterOrigin } from './fixedFlow';
export type { JobElement } from './job';
export type { Junction } from './junction';
export type { Creation, Shape, Site } from './kind';
export type { LevelBook } from './levelBook';
export { OPENING_FORMS, type Opening, type OpeningForm } from './opening';
export { CLEARANCE_STATES, type Clearance, type ClearanceState } from './clearance';
export type { Photo } from './photo';
export type { Step } from './step';
export type { Variant } from './variant';
export type { RainElement } from './rain';
export type { RoofFace } from './roofFace';
export { diameterOf, isDug, isLaid, isNew, OLD_FATES, OLD_STATES, type Run } from './run';
export { SERVICE_FORMS, USUAL_HAND_DIG, type Service, type ServiceForm } from './service';
export type { SoilTest } from './soilTest';
export type { SpotLevel } from './spotLevel';
export type { Surface } from './surface';
export { rootReach, VIGOURS, type Tree, type Vigour } from './tree';
export type { Underlay } from './underlay';
export { WET_FORMS, type WetForm, type WetSpot } from './wetSpot';
export type { Barrel } from './barrel';
export type { Berm } from './berm';
export type { Culvert } from './culvert';
export type { Drain } from './drain';
export type { DrainField } from './drainField';
export type { PavedBed } from './pavedBed';
export type { StoneDrain } from './stoneDrain';
export type { Swale } from './swale';
export { SLEEVE_USES, type Sleeve, type SleeveUse } from './sleeve';
