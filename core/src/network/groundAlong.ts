/** Ground along a run as it is planned: straight to where it begins to drop to daylight, and straight from there to its end. */
/** A run's length, the ground at its ends and where it is covered last, m, and how far before its end that is, m. */
interface Ground {
  length: number;
  groundUp: number;
  groundDown: number;
  coveredGround: number;
  comesOutOver: number;
}

/** Ground (m) at `at` m from a run's upper end. */
export function groundAlong({ length, groundUp, groundDown, coveredGround, comesOutOver }: Ground, at: number): number {
  const edge = length - comesOutOver;
  if (edge > 0 && at <= edge) return groundUp + ((coveredGround - groundUp) * at) / edge;
  const from = edge > 0 ? edge : 0;
  const ground = edge > 0 ? coveredGround : groundUp;
  return ground + ((groundDown - ground) * (at - from)) / (length - from);
}
