/** A swale under its flow: how deep and how fast it runs, what it holds, and what must be cut for it. */
import { LINING_FACTS } from '../catalogue/swales';
import { swaleCapacity, swaleFlow, wetAt } from '../hydraulics/swaleFlow';
import type { Swale } from '../job/kinds';
import { elementOf, ofKind, type Job } from '../job/job';
import { placeAlong, wayOfOpening } from '../job/places';
import { footOnWay, wayLength, type Place } from '../site/place';
import { showFlow, showLength, showPitch, showSmall, showVelocity } from '../units';
import { earth, toned } from './facts';
import type { LevelAt } from './levelAt';
import { conductivityOf, lengthOf } from './measures';
import { work } from './work';

export interface SwalePlan {
  kind: 'swale';
  length: number;
  /** Floor at its two ends, m, and its fall over its length, m/m. */
  headLevel: number;
  footLevel: number;
  pitch: number;
  /** m³/s: what comes to its foot, and what it carries full to its bank. */
  flow: number;
  capacity: number;
  /** Of the water in it. */
  depth: number;
  topWidth: number;
  velocity: number;
  shear: number;
  /** What its lining holds. */
  mostVelocity: number;
  mostShear: number;
  /** Bank over the water, m. */
  freeboard: number;
  /** Width at its bank, m. */
  bankWidth: number;
  /** m³ of ground to be dug out, and to be brought up to its bank. */
  cut: number;
  fill: number;
  /** Deepest that its floor lies under the ground, m, and how much of that is for the fall alone. */
  deepest: number;
  /** Where the ground along it does not fall enough for a floor of its own depth, m from its head, and how much deeper it is cut there at most, m; null where it does, or nothing is levelled. */
  flat: { from: number; to: number; cut: number } | null;
  /** Into the ground on its way, m³/s. */
  soaks: number;
}

/** Least fall with which grass is mown dry: under it a drain lies under the swale. */
export const LEAST_FALL = 0.01;
/** Bank over water that is asked, m: 4 in. */
export const LEAST_FREEBOARD = 0.1016;
/** Places along it at which ground is read. */
const STATIONS = 24;

export const shapeOf = (swale: Swale) => ({
  section: swale.section,
  bottomWidth: swale.bottomWidth ?? 0,
  sideSlope: swale.sideSlope,
  depth: swale.depth,
});

/** Floor at a swale's two ends, m: as set, or the ground there less its depth. */
export function floorOf(swale: Swale, levelAt: LevelAt): { head: number; foot: number } {
  const at = (place: Place | undefined): number | null => {
    const ground = place ? levelAt(place) : null;
    return ground === null ? null : ground - swale.depth;
  };
  const head = swale.headLevel ?? at(swale.way?.[0]);
  const foot = swale.footLevel ?? at(swale.way?.at(-1));
  return { head: head ?? foot ?? 0, foot: foot ?? head ?? 0 };
}

export function swalePlan(swale: Swale, flow: number, conductivity: number, levelAt: LevelAt): SwalePlan {
  const length = lengthOf(swale);
  const { head, foot } = floorOf(swale, levelAt);
  const pitch = length > 0 ? (head - foot) / length : 0;
  const shape = shapeOf(swale);
  const { roughness, shear: mostShear, speed } = LINING_FACTS[swale.lining];
  const capacity = swaleCapacity(shape, swale.depth, pitch, roughness);
  const running =
    pitch > 0
      ? swaleFlow(shape, flow, pitch, roughness)
      : { depth: flow > 0 ? swale.depth : 0, velocity: 0, shear: 0, topWidth: wetAt(shape, swale.depth).topWidth };
  const wet = running.depth > 0 ? wetAt(shape, running.depth).perimeter : 0;
  return {
    kind: 'swale',
    length,
    headLevel: head,
    footLevel: foot,
    pitch,
    flow,
    capacity,
    ...running,
    mostVelocity: speed,
    mostShear,
    freeboard: swale.depth - running.depth,
    bankWidth: wetAt(shape, swale.depth).topWidth,
    ...earthOf(swale, head, foot, length, levelAt),
    flat: tooFlat(swale, length, levelAt),
    soaks: conductivity * wet * length,
  };
}

/** What is dug and what is filled, station by station: ground over the floor is cut as wide as the section is there, ground that lies under the bank is filled up to it. */
function earthOf(
  swale: Swale,
  head: number,
  foot: number,
  length: number,
  levelAt: LevelAt,
): Pick<SwalePlan, 'cut' | 'fill' | 'deepest'> {
  const shape = shapeOf(swale);
  let [cut, fill, deepest] = [0, 0, 0];
  for (let k = 0; k <= STATIONS; k++) {
    const share = k / STATIONS;
    const floor = head + (foot - head) * share;
    const ground = (swale.way ? levelAt(placeAlong(swale.way, length * share)) : null) ?? floor + swale.depth;
    const weight = (k === 0 || k === STATIONS ? 0.5 : 1) * (length / STATIONS);
    const depth = ground - floor;
    deepest = Math.max(deepest, depth);
    if (depth > 0) cut += weight * wetAt(shape, depth).area;
    const short = swale.depth - depth;
    // Two banks, each as high as it is short, their sides as the swale's.
    if (short > 1e-6) fill += weight * 2 * short * (0.3 + swale.sideSlope * short);
  }
  return { cut, fill, deepest };
}

/** Less than this nobody digs to, m. */
const AS_DUG = 0.01;

/**
 * Where the ground is too flat for a continuous fall. A floor that lies as deep as the swale under the ground at its head, never climbs, and
 * falls by the least that is mown dry, lies deeper than the swale where the ground does not fall as much: that is cut besides.
 */
function tooFlat(swale: Swale, length: number, levelAt: LevelAt): SwalePlan['flat'] {
  if (!swale.way || length === 0) return null;
  const step = length / STATIONS;
  let floor = null as number | null;
  let found = null as SwalePlan['flat'];
  for (let k = 0; k <= STATIONS; k++) {
    const ground = levelAt(placeAlong(swale.way, step * k));
    if (ground === null) continue;
    const bed = ground - swale.depth;
    floor = floor === null ? bed : Math.min(bed, floor - LEAST_FALL * step);
    const cut = bed - floor;
    if (cut > AS_DUG)
      found = { from: found?.from ?? Math.max(0, (k - 1) * step), to: k * step, cut: Math.max(found?.cut ?? 0, cut) };
  }
  return found;
}

/** Water level (m) in a swale so far down it, as a share of its length. */
export const waterAt = ({ headLevel, footLevel, depth }: SwalePlan, share: number): number =>
  headLevel + (footLevel - headLevel) * share + depth;

/** An opening this near to a swale is one that its water reaches, m. */
const NEAR_SWALE = 3;

/** Openings beside a swale that carries water, by id, and what is left from the water there to each sill, m. */
export function sillsBeside(job: Job, id: string, plan: SwalePlan): { opening: string; left: number }[] {
  const way = elementOf(job, 'swale', id)?.way;
  if (!way || plan.flow <= 0) return [];
  return ofKind(job, 'opening').flatMap((opening) => {
    const { sillLevel } = opening;
    if (sillLevel === undefined) return [];
    // Water falls along the wall: what counts is the side of the opening that it comes to first, whichever that is.
    const near = (wayOfOpening(job, opening) ?? []).flatMap((side) => {
      const foot = footOnWay(way, side);
      return foot && foot.distance <= NEAR_SWALE ? [waterAt(plan, foot.along / wayLength(way))] : [];
    });
    return near.length > 0 ? [{ opening: opening.id, left: sillLevel - Math.max(...near) }] : [];
  });
}

/** What a swale may run into, as far as that matters to it: before a culvert water stands. */
type Below = { kind: 'culvert'; waterLevel: number } | { kind: 'swale' };

export const swaleWork = work<Swale, SwalePlan>({
  of: 'swale',
  inRain: {
    turn: 'way',
    plan: (swale, here) => {
      const plan = swalePlan(swale, here.comesDown(swale.id), conductivityOf(swale, here.soil), here.levelAt);
      // Before a culvert it stands as deep as that asks.
      const below = (swale.to === undefined ? undefined : here.planOf(swale.to)) as Below | undefined;
      const deeper = below?.kind === 'culvert' ? below.waterLevel - plan.footLevel - plan.depth : 0;
      return deeper > 0 ? { ...plan, depth: plan.depth + deeper, freeboard: plan.freeboard - deeper } : plan;
    },
  },
  dug: true,
  count: (swale, plan) =>
    plan
      ? [
          { item: { type: 'dug' }, quantity: plan.cut },
          { item: { type: 'fill' }, quantity: plan.fill },
          { item: { type: 'spoil' }, quantity: plan.cut },
          { item: { type: swale.lining === 'grass' ? 'turf' : 'lining' }, quantity: plan.length * plan.bankWidth },
        ]
      : [],
  facts: (plan, units) => [
    { label: 'Comes down it', shown: showFlow(plan.flow, units), ...toned('stop', plan.freeboard < 0) },
    { label: 'Carries to its bank', shown: showFlow(plan.capacity, units) },
    { label: 'Water in it', shown: showSmall(plan.depth, units) },
    {
      label: 'Under its bank',
      shown: showSmall(plan.freeboard, units),
      ...(plan.freeboard < 0 ? toned('stop', true) : toned('fix', plan.freeboard < LEAST_FREEBOARD)),
    },
    {
      label: 'Speed',
      shown: showVelocity(plan.velocity, units),
      ...toned('fix', plan.velocity > plan.mostVelocity),
    },
    { label: 'Its lining holds', shown: showVelocity(plan.mostVelocity, units) },
    { label: 'Falls', shown: showPitch(plan.pitch), ...toned('stop', plan.pitch <= 0) },
    { label: 'Wide at its bank', shown: showLength(plan.bankWidth, units) },
    { label: 'Long', shown: showLength(plan.length, units) },
    { label: 'To dig out', shown: earth(plan.cut, units) },
    { label: 'To fill', shown: earth(plan.fill, units) },
    { label: 'Deepest cut', shown: showSmall(plan.deepest, units) },
    ...(plan.flat === null
      ? []
      : [
          { label: 'Ground too flat from', shown: showLength(plan.flat.from, units) },
          { label: 'To, from its head', shown: showLength(plan.flat.to, units) },
          { label: 'Cut deeper there, to fall 1 %', shown: showSmall(plan.flat.cut, units) },
        ]),
    { label: 'Soaks away on its way', shown: showFlow(plan.soaks, units) },
  ],
  layer: 'works',
});
