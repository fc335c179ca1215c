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
import { barrierKind } from './site/barrier';
import { breaklineKind } from './site/breakline';
import { buildingKind } from './site/building';
import { levelBookKind } from './site/levelBook';
import { openingKind } from './site/opening';
import { photoKind } from './site/photo';
import { serviceKind } from './site/service';
import { soilTestKind } from './site/soilTest';
import { spotLevelKind } from './site/spotLevel';
import { treeKind } from './site/tree';
import { underlayKind } from './site/underlay';
import { wetSpotKind } from './site/wetSpot';
import { barrelKind } from './works/barrel';
import { bermKind, type Berm } from './works/berm';
import { culvertKind, type Culvert } from './works/culvert';
import { drainKind } from './works/drain';
import { drainFieldKind } from './works/drainField';
import { pavedBedKind } from './works/pavedBed';
import { sleeveKind } from './works/sleeve';
import { stoneDrainKind } from './works/stoneDrain';
import { swaleKind, type Swale } from './works/swale';
import { runKind } from './run';
import { surfaceKind } from './surface';
import { clearanceKind } from './paper/clearance';
import { complaintKind } from './paper/complaint';
import { keepingKind } from './paper/keeping';
import { noteKind } from './paper/note';
import { outcomeKind } from './paper/outcome';
import { stepKind } from './paper/step';
import { variantKind } from './paper/variant';
import { visitKind } from './paper/visit';

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
  noteKind,
  variantKind,
  keepingKind,
  visitKind,
  complaintKind,
  outcomeKind,
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

export { BARRIER_FORMS, type Barrier, type BarrierForm } from './site/barrier';
export type { Basin } from './basin';
export { BREAKLINE_FORMS, type Breakline, type BreaklineForm } from './site/breakline';
export type { Building } from './site/building';
export { channelHead, outletsFit, type Channel } from './channel';
export type { Discharge } from './discharge';
export { landsOnGutter, type Downspout } from './downspout';
export { idSchema, type Feed } from './fields';
export { WATER_ORIGINS, type FixedFlow, type WaterOrigin } from './fixedFlow';
export type { JobElement } from './job';
export type { Junction } from './junction';
export type { Creation, Shape, Site } from './kind';
export type { LevelBook } from './site/levelBook';
export { OPENING_FORMS, type Opening, type OpeningForm } from './site/opening';
export { CLEARANCE_STATES, type Clearance, type ClearanceState } from './paper/clearance';
export { WHO_PAYS, type Complaint, type WhoPays } from './paper/complaint';
export type { Keeping } from './paper/keeping';
export {
  JAR_COLOURS,
  JAR_FILLS,
  jarSchema,
  MET,
  VISIT_TYPES,
  type JarFill,
  type TestOf,
  type Visit,
  type VisitTest,
  type VisitType,
} from './paper/visit';
export type { Photo } from './site/photo';
export { COSTS, type CostOf, type Outcome } from './paper/outcome';
export { FIXED_SORTS, NOTE_SORTS, type Note, type NoteSort } from './paper/note';
export type { Step } from './paper/step';
export type { Variant } from './paper/variant';
export type { RainElement } from './rain';
export type { RoofFace } from './roofFace';
export { diameterOf, isDug, isLaid, isNew, GUESSES, OLD_FATES, OLD_STATES, type Run } from './run';
export { SERVICE_FORMS, USUAL_HAND_DIG, type Service, type ServiceForm } from './site/service';
export type { SoilTest } from './site/soilTest';
export type { SpotLevel } from './site/spotLevel';
export type { Surface } from './surface';
export { rootReach, VIGOURS, type Tree, type Vigour } from './site/tree';
export type { Underlay } from './site/underlay';
export { WET_FORMS, type WetForm, type WetSpot } from './site/wetSpot';
export type { Barrel } from './works/barrel';
export type { Berm } from './works/berm';
export type { Culvert } from './works/culvert';
export type { Drain } from './works/drain';
export type { DrainField } from './works/drainField';
export type { PavedBed } from './works/pavedBed';
export type { StoneDrain } from './works/stoneDrain';
export type { Swale } from './works/swale';
export { SLEEVE_USES, type Sleeve, type SleeveUse } from './works/sleeve';
