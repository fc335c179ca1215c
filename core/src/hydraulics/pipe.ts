/**
 * Steady uniform flow in a round pipe: Manning's formula, n constant with depth, part-full geometry exact by the
 * central angle θ of the wetted arc (0 dry, 2π full). Source: Chow, Open-Channel Hydraulics (1959), §§2-1, 5-6, 6-4.
 *
 *        ___          depth  y = D/2 (1 − cos θ/2)
 *      /     \        area   A = D²/8 (θ − sin θ)
 *     | \ θ / |       wetted P = Dθ/2
 *  ~~~|~~\ /~~|~~~    radius R = A/P
 *      \_____/
 */
import { GRAVITY, WATER_DENSITY } from '../units/constants';

export interface PipeSection {
  /** Inside diameter, m. */
  diameter: number;
  /** Fall over length, m/m; more than 0. */
  slope: number;
  /** Manning's n, s/m^(1/3). */
  roughness: number;
}

export interface PartFull {
  /** m; the diameter when surcharged */
  depth: number;
  /** m/s */
  velocity: number;
  /** V / √(g A/T); 0 when surcharged, where there is no free surface */
  froude: number;
  /** Mean boundary shear ρ g R S, Pa. */
  shear: number;
  /** More flow than the pipe can carry at any depth without pressure. */
  surcharged: boolean;
}

/** Central angle of greatest flow, where d(A R^(2/3))/dθ = 0: 3θ − 5θ cos θ + 2 sin θ = 0; y/D = 0.938. */
export const ANGLE_OF_MAX_FLOW = 5.278107;
/** Flow at that angle over flow just full. */
export const MAX_OVER_FULL = conveyanceRatio(ANGLE_OF_MAX_FLOW);

/** Q/Qfull at a central angle: (θ − sin θ)^(5/3) / (2π θ^(2/3)). */
function conveyanceRatio(angle: number): number {
  return Math.cbrt(segmentOf(angle) ** 5 / (angle * angle)) / (2 * Math.PI);
}

/** Full-bore flow and velocity. m³/s, m/s. */
export function fullFlow({ diameter, slope, roughness }: PipeSection): { flow: number; velocity: number } {
  const velocity = (Math.cbrt((diameter / 4) ** 2) * Math.sqrt(slope)) / roughness;
  return { flow: (velocity * Math.PI * diameter * diameter) / 4, velocity };
}

/** Depth of water at a central angle, m. As 2 sin² θ/4: 1 − cos θ/2 loses its digits at a trickle. */
const depthAt = (angle: number, diameter: number): number => diameter * Math.sin(angle / 4) ** 2;

/**
 * Starts for the angle solver: θ at evenly spaced values of u = ratio^(3/13). In u the curve is nearly straight (ratio grows as
 * θ^(13/3) when shallow), so 128 chords start within 2 % of the answer everywhere below `STEEP_RATIO`.
 */
const STEPS = 128;
/** Nearer than this to the peak, dθ/dratio runs off to infinity and chords no longer serve. */
const STEEP_RATIO = 1.06;
const U_MAX = STEEP_RATIO ** (3 / 13);
const STARTS = Float64Array.from({ length: STEPS + 1 }, (_, k) =>
  k === 0 ? 0 : angleByBracket(((k / STEPS) * U_MAX) ** (13 / 3)),
);

/** The central angle whose conveyance ratio is `ratio`, on the rising branch. */
function angleOfRatio(ratio: number): number {
  if (ratio >= STEEP_RATIO) return angleByBracket(ratio);
  const at = (ratio ** (3 / 13) / U_MAX) * STEPS;
  const k = Math.min(STEPS - 1, Math.floor(at));
  let angle = STARTS[k]! + (STARTS[k + 1]! - STARTS[k]!) * (at - k);
  // Newton on the cube of the ratio, (θ − sin θ)^5 / θ², which needs no roots; a start this near converges at once.
  const wanted = (2 * Math.PI * ratio) ** 3;
  for (let step = 0; step < 6; step++) {
    const segment = segmentOf(angle);
    const slope = (5 * (1 - Math.cos(angle))) / segment - 2 / angle;
    const squared = segment * segment;
    const change = ((squared * squared * segment) / (angle * angle * wanted) - 1) / slope;
    angle -= change;
    if (Math.abs(change) <= 1e-9 * angle) return angle;
  }
  return angleByBracket(ratio);
}

/** θ − sin θ; below 0.01 rad the difference loses its digits, and its series does not. */
export function segmentOf(angle: number): number {
  return angle < 0.01 ? (angle ** 3 / 6) * (1 - (angle * angle) / 20) : angle - Math.sin(angle);
}

/** The same by bisection: slow, and certain to end. */
function angleByBracket(ratio: number): number {
  let low = 0;
  let high = ANGLE_OF_MAX_FLOW;
  for (let step = 0; step < 70 && high - low > 1e-15 * high; step++) {
    const middle = (low + high) / 2;
    if (conveyanceRatio(middle) < ratio) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Normal depth of a flow (m³/s, ≥ 0); of two depths that carry it, the lower. */
export function normalDepth({ flow, ...section }: PipeSection & { flow: number }): PartFull {
  const { diameter, slope } = section;
  const full = fullFlow(section);
  if (flow <= 0) return { depth: 0, velocity: 0, froude: 0, shear: 0, surcharged: false };
  const ratio = flow / full.flow;
  const weight = WATER_DENSITY * GRAVITY * slope;
  if (ratio > MAX_OVER_FULL) {
    const velocity = flow / ((Math.PI * diameter * diameter) / 4);
    return { depth: diameter, velocity, froude: 0, shear: (weight * diameter) / 4, surcharged: true };
  }
  const angle = angleOfRatio(ratio);
  const segment = segmentOf(angle);
  const area = ((diameter * diameter) / 8) * segment;
  const velocity = flow / area;
  const topWidth = diameter * Math.sin(angle / 2);
  return {
    depth: depthAt(angle, diameter),
    velocity,
    froude: velocity / Math.sqrt((GRAVITY * area) / topWidth),
    shear: (weight * area) / ((diameter * angle) / 2),
    surcharged: false,
  };
}

/** Share of the round section that stands under water at a depth ratio y/D. For drawing the eye and for checks. */
export function filledShare(depthRatio: number): number {
  const angle = 2 * Math.acos(1 - 2 * Math.min(1, Math.max(0, depthRatio)));
  return (angle - Math.sin(angle)) / (2 * Math.PI);
}

/** Least pitch at which the pipe carries `flow` full, m/m: S = (nQ / (A R^(2/3)))². */
export function pitchForFlow({
  diameter,
  roughness,
  flow,
}: {
  diameter: number;
  roughness: number;
  flow: number;
}): number {
  return (flow / fullFlow({ diameter, roughness, slope: 1 }).flow) ** 2;
}
