/** Critical depth in a round pipe: Q² T = g A³ (Chow 1959, eq. 4-4). */
import { GRAVITY } from '../units/constants';
import { segmentOf } from './pipe';

/**
 * Depth (m) at which `flow` (m³/s, ≥ 0) has least energy. Approaches the diameter as the flow grows, and never reaches it.
 * Newton's method on ln(A³/T) against ln θ, nearly straight with slope 8 when shallow, in a bracket that shrinks at every step.
 */
export function criticalDepth({ diameter, flow }: { diameter: number; flow: number }): number {
  if (flow <= 0) return 0;
  // With A = D²/8 (θ − sin θ) and T = D sin θ/2: (θ − sin θ)³ / sin(θ/2) = 512 Q² / (g D⁵).
  const wanted = Math.log((512 * flow * flow) / (GRAVITY * diameter ** 5));
  let low = 0;
  let high = 2 * Math.PI;
  // Shallow: (θ³/6)³ / (θ/2) = θ⁸ / 108.
  let angle = Math.min(5.5, Math.exp((wanted + Math.log(108)) / 8));
  for (let step = 0; step < 80; step++) {
    const sine = Math.sin(angle / 2);
    const segment = segmentOf(angle);
    const error = 3 * Math.log(segment) - Math.log(sine) - wanted;
    if (error > 0) high = angle;
    else low = angle;
    const slope = (angle * 3 * (1 - Math.cos(angle))) / segment - (angle * Math.cos(angle / 2)) / (2 * sine);
    let next = angle * Math.exp(-error / slope);
    if (!(next > low && next < high)) next = (low + high) / 2;
    if (Math.abs(next - angle) <= 1e-13 * angle || next === low || next === high) {
      angle = next;
      break;
    }
    angle = next;
  }
  // 1 − cos(θ/2) loses its digits at a trickle; 2 sin²(θ/4) does not.
  return diameter * Math.sin(angle / 4) ** 2;
}
