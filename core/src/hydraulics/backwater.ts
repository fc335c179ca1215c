/**
 * The water line up one round pipe from the level at its foot. Full stretches rise by friction, (nQ)² / (A² R^(4/3)); part-full ones
 * by gradually varied flow, dy/dx = (S0 − Sf) / (1 − F²) (Chow 1959, eq. 9-13), subcritical from below; a steep pipe that its foot
 * does not drown is ruled from above and stands at critical depth at its head.
 *
 *      level                          ___ crown       x runs up the pipe from its foot, y is depth over the invert:
 *   ---------____                ___/                 going up, y changes by −dy/dx.
 *     full   x*  ~~~~~~~~~~~~___/
 */
import { GRAVITY } from '../units/constants';
import { criticalDepth } from './criticalDepth';
import { fullFlow, normalDepth } from './pipe';

export type Regime = 'dry' | 'full' | 'partFull' | 'filling' | 'steep' | 'drowned';

export interface Reach {
  /** m, m, s/m^(1/3), m/m (may be 0 or less), m³/s */
  length: number;
  diameter: number;
  roughness: number;
  slope: number;
  flow: number;
}

export interface Backwater {
  /** Depth of the water line over the invert at head and foot, m; more than the diameter under pressure. */
  depthUp: number;
  depthDown: number;
  /**
   * `full` all along; `partFull` all along, ruled from below; `filling` part full and full in turn; `steep` ruled from above;
   * `drowned` steep, with its foot under backwater.
   */
  regime: Regime;
}

/** Friction slope of the flow at a depth, whose section has that central angle (rad) and area (m²). */
function frictionOf({ diameter, roughness, flow }: Reach, angle: number, area: number): number {
  const radius = area / ((diameter * angle) / 2);
  const conveyance = (area * Math.cbrt(radius * radius)) / roughness;
  return (flow / conveyance) ** 2;
}

/** Central angle of the wetted arc at a depth, rad. */
const angleAt = (depth: number, diameter: number): number => 2 * Math.acos(1 - (2 * depth) / diameter);
const areaOf = (angle: number, diameter: number): number => ((diameter * diameter) / 8) * (angle - Math.sin(angle));

function frictionAt(depth: number, reach: Reach): number {
  const angle = angleAt(depth, reach.diameter);
  return frictionOf(reach, angle, areaOf(angle, reach.diameter));
}

/** Area of flow in a pipe at a depth, m²; full from the crown up. */
export function flowArea(depth: number, diameter: number): number {
  if (depth >= diameter) return (Math.PI * diameter * diameter) / 4;
  return areaOf(angleAt(depth, diameter), diameter);
}

/** Two-point Gauss abscissas on 0–1. */
const GAUSS_A = 0.5 - Math.sqrt(3) / 6;
const GAUSS_B = 0.5 + Math.sqrt(3) / 6;
/** Steps in ln|y − yn| toward normal depth, and how near counts as there, as a share of the diameter. */
const LOG_STEP = 0.35;
const NEAR = 1e-7;
/** Steps between two depths where no normal depth lies between. */
const DEPTH_STEPS = 24;

/** dx/dy going up the pipe: −(1 − F²) / (S0 − Sf). */
function stretch(depth: number, reach: Reach): number {
  const { diameter, flow } = reach;
  const angle = angleAt(depth, diameter);
  const area = areaOf(angle, diameter);
  const froude2 = (flow * flow * diameter * Math.sin(angle / 2)) / (GRAVITY * area * area * area);
  return -(1 - froude2) / (reach.slope - frictionOf(reach, angle, area));
}

/** Which way a profile is followed: up the pipe, or down it. */
const UP = 1;
const DOWN = -1;

/**
 * Follows a part-full reach from depth `from` toward normal depth, up it or down. With y = yn + (from − yn) e^(−u), dx/du stays finite at yn, so that
 * even steps in u carry the profile to within a hair of it. Stops at `until` where that lies on the way.
 */
function towardNormal(
  reach: Reach,
  from: number,
  normal: number,
  { until, room, way }: { until: number | null; room: number; way: typeof UP | typeof DOWN },
): { depth: number; used: number } {
  const span = from - normal;
  const last = until === null ? Math.log(Math.abs(span) / (NEAR * reach.diameter)) : Math.log(span / (until - normal));
  const perU = (u: number): number => {
    const rest = span * Math.exp(-u);
    return -way * rest * stretch(normal + rest, reach);
  };
  let used = 0;
  let u = 0;
  while (u < last) {
    const step = Math.min(LOG_STEP, last - u);
    const gained = (step * (perU(u + GAUSS_A * step) + perU(u + GAUSS_B * step))) / 2;
    if (used + gained >= room)
      return { depth: normal + span * Math.exp(-(u + within(perU, u, step, room - used, gained))), used: room };
    used += gained;
    u += step;
  }
  return { depth: until ?? normal, used: until === null ? room : used };
}

/** Part of a step at which a distance is reached: secant steps on the distance itself, from its share of the whole. */
function within(rate: (x: number) => number, start: number, step: number, distance: number, whole: number): number {
  const reached = (part: number): number => (part * (rate(start + GAUSS_A * part) + rate(start + GAUSS_B * part))) / 2;
  let low = 0;
  let high = step;
  let part = step * Math.min(1, distance / whole);
  for (let k = 0; k < 40; k++) {
    const miss = reached(part) - distance;
    if (miss > 0) high = part;
    else low = part;
    let next = part - miss / rate(start + part);
    if (!(next > low && next < high)) next = (low + high) / 2;
    if (Math.abs(next - part) <= 1e-12 * step || high - low <= 1e-14 * step) return next;
    part = next;
  }
  return part;
}

/** Adds up a rate over even steps from one end to the other, until so much is used up; tells whether the other end was reached. */
function march(
  rate: (at: number) => number,
  [first, last, steps]: readonly [number, number, number],
  room: number,
): { at: number; used: number; ended: boolean } {
  const step = (last - first) / steps;
  let used = 0;
  for (let k = 0; k < steps; k++) {
    const at = first + k * step;
    const gained = (step * (rate(at + GAUSS_A * step) + rate(at + GAUSS_B * step))) / 2;
    if (used + gained >= room)
      return { at: at + within(rate, at, step, room - used, gained), used: room, ended: false };
    used += gained;
  }
  return { at: last, used, ended: true };
}

/** Above this share of the diameter a section closes fast enough that steps are taken from the crown down, and how many of them. */
const CLOSING = 0.9;
const CROWN_STEPS = 12;

/**
 * Follows a reach down from near the crown to depth `until`. There width and wetted arc go with √(D − y), whose slope has no end at the
 * crown: even steps in w = √(D − y) are smooth, where steps in depth were up to 2 mm off.
 */
function fromCrown(reach: Reach, from: number, until: number, room: number): { depth: number; used: number } {
  const { diameter } = reach;
  const [first, last] = [Math.sqrt(diameter - from), Math.sqrt(diameter - until)];
  const perW = (w: number): number => -2 * w * stretch(diameter - w * w, reach);
  const { at, used, ended } = march(perW, [first, last, CROWN_STEPS], room);
  return { depth: ended ? until : diameter - at * at, used };
}

/** Goes up a part-full reach from a depth down toward normal depth, or to `until` where that lies on the way. */
function downTo(reach: Reach, from: number, normal: number, until: number | null, room: number): number {
  const end = until ?? normal + 0.3 * (from - normal);
  const open = Math.max(CLOSING * reach.diameter, end);
  const near = from > open ? fromCrown(reach, from, open, room) : { depth: from, used: 0 };
  if (near.used >= room || near.depth === until) return near.depth;
  return towardNormal(reach, near.depth, normal, { until, room: room - near.used, way: UP }).depth;
}

/** Goes up a part-full reach in which the water rises toward the crown. */
function towardCrown(reach: Reach, from: number, room: number): { depth: number; used: number } {
  // Steps shrink toward both ends: at critical depth and at the crown the profile bends fastest.
  const depthAt = (t: number): number => from + (reach.diameter - from) * t * t * (3 - 2 * t);
  const perT = (t: number): number =>
    (reach.diameter - from) * 6 * t * (1 - t) * stretch(Math.min(depthAt(t), reach.diameter * (1 - 1e-12)), reach);
  const { at, used, ended } = march(perT, [0, 1, DEPTH_STEPS], room);
  return { depth: ended ? reach.diameter : depthAt(at), used };
}

/** The two depths (m) of a flow in a pipe: critical, and normal; null where no normal depth carries it. */
export interface Depths {
  critical: number;
  normal: number | null;
}

/** Both; `known`: what whoever asks has worked out of the same flow already. */
function depthsOf({ diameter, roughness, slope, flow }: Reach, known: Partial<Depths> = {}): Depths {
  let { critical, normal } = known;
  critical ??= criticalDepth({ diameter, flow });
  if (normal === undefined) {
    const uniform = slope > 0 ? normalDepth({ diameter, roughness, slope, flow }) : null;
    normal = uniform === null || uniform.surcharged ? null : uniform.depth;
  }
  return { critical, normal };
}

/** Depth (m) to which a steep pipe draws its water down from critical at its head: normal in the end, and a short pipe does not get there. */
const drawnDown = (reach: Reach, critical: number, normal: number): number =>
  towardNormal(reach, critical, normal, { until: null, room: reach.length, way: DOWN }).depth;

/** Depth (m) at which water leaves a pipe that ends in the open: critical on a mild pipe; on a steep one what it is drawn down to. */
export function freeDepth(reach: Reach, known?: Partial<Depths>): number {
  if (reach.flow <= 0) return 0;
  const { critical, normal } = depthsOf(reach, known);
  return normal !== null && normal < critical ? drawnDown(reach, critical, normal) : critical;
}

/** Least depth (m) that a flow comes to in a pipe that nothing drowns, where it runs fastest; the diameter where it runs full. */
export function leastDepth(reach: Reach, known?: Partial<Depths>): number {
  if (reach.flow <= 0) return reach.diameter;
  const { critical, normal } = depthsOf(reach, known);
  if (normal === null) return reach.diameter;
  return normal < critical ? drawnDown(reach, critical, normal) : normal;
}

/** Depth at the head of a reach with the water line `level` over the invert of its foot; a lower level than the free depth changes nothing. */
export function backwater(reach: Reach, level: number, known?: Partial<Depths>): Backwater {
  const { length, diameter, roughness, slope, flow } = reach;
  const rise = slope * length;
  if (flow <= 0) {
    const depthDown = Math.max(0, level);
    const depthUp = Math.max(0, depthDown - rise);
    return { depthUp, depthDown, regime: depthDown <= 0 ? 'dry' : depthUp >= diameter ? 'full' : 'partFull' };
  }
  const { critical, normal } = depthsOf(reach, known);
  const steep = normal !== null && normal < critical;
  // Below critical depth the foot changes nothing, and nothing is followed.
  const depthDown =
    steep && level < critical ? Math.max(level, drawnDown(reach, critical, normal)) : Math.max(level, critical);
  if (steep && depthDown <= critical) return { depthUp: critical, depthDown, regime: 'steep' };
  const pressure = (flow / fullFlow({ diameter, roughness, slope: 1 }).flow) ** 2;
  let depth = depthDown;
  let room = length;
  let wasFull = false;
  if (depth >= diameter) {
    if (pressure >= slope || depth + (pressure - slope) * length >= diameter)
      return { depthUp: depth + (pressure - slope) * length, depthDown, regime: 'full' };
    room -= (depth - diameter) / (slope - pressure);
    depth = diameter * (1 - 1e-9);
    wasFull = true;
  }
  if (steep) {
    const depthUp = downTo(reach, depth, normal, critical, room);
    // Where fast water meets a pool it stands a hair under it, by its velocity head; a pool is not counted on for less than its level.
    return { depthUp: Math.max(depthUp, depthDown - rise), depthDown, regime: 'drowned' };
  }
  if (normal !== null && (depth <= normal || frictionAt(depth, reach) < slope)) {
    const depthUp =
      Math.abs(depth - normal) <= NEAR * diameter
        ? normal
        : depth > normal
          ? downTo(reach, depth, normal, null, room)
          : towardNormal(reach, depth, normal, { until: null, room, way: UP }).depth;
    return { depthUp, depthDown, regime: wasFull ? 'filling' : 'partFull' };
  }
  const { depth: reached, used } = towardCrown(reach, depth, room);
  if (reached < diameter) return { depthUp: reached, depthDown, regime: 'partFull' };
  return { depthUp: diameter + (pressure - slope) * (room - used), depthDown, regime: 'filling' };
}
