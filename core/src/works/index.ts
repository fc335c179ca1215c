/** Every work that is not pipe, in the order in which they are counted. */
import type { Discharge, Element, ElementKind } from '../job/kinds';
import { barrelWork } from './barrel';
import { bermWork } from './berm';
import { culvertWork } from './culvert';
import { drainFieldWork, drainWork } from './drain';
import { pavedBedWork } from './pavedBed';
import { pumpWork } from './pumpBasin';
import { sleeveWork } from './sleeve';
import { stoneDrainWork } from './stoneDrain';
import { storeWork } from './store';
import { swaleWork } from './swale';
import type { AnyWork, Work } from './work';

const ALL = {
  store: storeWork,
  pump: pumpWork,
  drain: drainWork,
  drainField: drainFieldWork,
  stoneDrain: stoneDrainWork,
  pavedBed: pavedBedWork,
  swale: swaleWork,
  berm: bermWork,
  culvert: culvertWork,
  barrel: barrelWork,
  sleeve: sleeveWork,
};

type PlanOf<W> = W extends Work<infer _, infer P> ? P : never;
type ElementOf<W> = W extends Work<infer E, infer _> ? E : never;

/** What a work does in a rain. */
export type WorkPlan = PlanOf<(typeof ALL)[keyof typeof ALL]>;
export type WorkKind = WorkPlan['kind'];
export type WorkOf<K extends WorkKind> = Extract<WorkPlan, { kind: K }>;

export const WORKS = Object.values(ALL) as unknown as readonly AnyWork[];

const BY_PLAN = ALL as unknown as Readonly<Record<string, AnyWork>>;

/** The entry of a work by its plan. */
export const workOf = ({ kind }: WorkPlan): AnyWork => BY_PLAN[kind]!;

/** Kinds of elements that are works, whatever else is said of one: not ways out, of which only some are. */
export type WorkElementKind = Exclude<ElementOf<(typeof ALL)[keyof typeof ALL]>, Discharge>['kind'];
const KINDS = new Map(WORKS.filter(({ of }) => of !== 'discharge').map((work) => [work.of, work]));
export const WORK_KINDS = [...KINDS.keys()] as readonly WorkElementKind[];

/** The entry of a kind of elements that are works; undefined of any other. */
export const workKind = (kind: ElementKind): AnyWork | undefined => KINDS.get(kind);

/** What a work, or a way out that is one, is entered as; undefined of anything else. */
export const entryOf = (element: Element): AnyWork | undefined =>
  KINDS.get(element.kind) ?? WORKS.find(({ of, isOne }) => of === element.kind && isOne?.(element));
