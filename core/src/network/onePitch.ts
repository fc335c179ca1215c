/** One straight grade under a row of ceilings, with least digging. */

export interface OnePitchInput {
  /** Distance of each landing from the head, m, rising; at least two. */
  stations: number[];
  /** Highest crown allowed at each, m. */
  ceiling: number[];
  /** Least pitch, m/m. */
  least: number;
  /** Lowest crown allowed at the foot, m; −∞ when free. */
  floor: number;
  /** Crown at the foot when the line must join another there, m. */
  end?: number;
}

/**
 * Head crown and pitch of the straight grade that clears every ceiling and needs least trench.
 *
 * The area between ground and a straight grade depends only on the grade's level at mid-length x̄, so the best line is the one
 * that is highest there: it lies on the lower convex hull of the ceilings, along the edge over x̄. A steeper pitch than that edge
 * turns about the hull points left of it. The pitch is then raised to `least`, or lowered towards it to hold the floor.
 */
export function onePitch({ stations, ceiling, least, floor, end }: OnePitchInput): { head: number; pitch: number } {
  const foot = stations[stations.length - 1]!;
  if (end !== undefined) return toEnd(stations, ceiling, least, end);
  const [left, right] = hullEdgeOver(stations, ceiling, foot / 2);
  const best = (ceiling[left]! - ceiling[right]!) / (stations[right]! - stations[left]!);
  let steepest = Number.POSITIVE_INFINITY;
  for (let k = 0; k < stations.length - 1; k++)
    steepest = Math.min(steepest, (ceiling[k]! - floor) / (foot - stations[k]!));
  const pitch = Math.max(least, Math.min(best, steepest));
  let head = Number.POSITIVE_INFINITY;
  for (let k = 0; k < stations.length; k++) head = Math.min(head, ceiling[k]! + pitch * stations[k]!);
  return { head, pitch };
}

/** The steepest grade that ends at `end` and clears every ceiling: the shallowest there is. */
function toEnd(stations: number[], ceiling: number[], least: number, end: number): { head: number; pitch: number } {
  const foot = stations[stations.length - 1]!;
  let pitch = Number.POSITIVE_INFINITY;
  for (let k = 0; k < stations.length - 1; k++) pitch = Math.min(pitch, (ceiling[k]! - end) / (foot - stations[k]!));
  const used = Math.max(pitch, least);
  return { head: end + used * foot, pitch: used };
}

/** The two points of the lower convex hull whose edge spans `over` (Andrew's monotone chain, lower half). */
function hullEdgeOver(x: number[], y: number[], over: number): [number, number] {
  const hull: number[] = [];
  for (let k = 0; k < x.length; k++) {
    while (hull.length >= 2) {
      const a = hull[hull.length - 2]!;
      const b = hull[hull.length - 1]!;
      const turn = (x[b]! - x[a]!) * (y[k]! - y[a]!) - (y[b]! - y[a]!) * (x[k]! - x[a]!);
      if (turn > 0) break;
      hull.pop();
    }
    hull.push(k);
  }
  let right = 1;
  while (right < hull.length - 1 && x[hull[right]!]! < over) right++;
  return [hull[right - 1]!, hull[right]!];
}
