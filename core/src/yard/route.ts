/** The shortest way from place to place that goes round buildings. */
import { ofKind, type Job } from '../job/job';
import { crossing, distance, isWithin, sidesOf, signedArea, type Place } from '../site/place';

/** How far a trench keeps off a wall, m: about 3 ft, where a machine can turn. */
const OFF_WALLS = 0.9;

/** Corners of an outline moved outward, so that a way may turn there. */
function cornersRound(outline: readonly Place[]): Place[] {
  const round = signedArea(outline) < 0 ? [...outline].reverse() : outline;
  return round.map((corner, k) => {
    const before = round[(k + round.length - 1) % round.length]!;
    const after = round[(k + 1) % round.length]!;
    const [a, b] = [distance(before, corner) || 1, distance(corner, after) || 1];
    // Outward normals of the two walls, to the right of the way round.
    const one = { east: (corner.north - before.north) / a, north: -(corner.east - before.east) / a };
    const other = { east: (after.north - corner.north) / b, north: -(after.east - corner.east) / b };
    const dot = 1 + one.east * other.east + one.north * other.north;
    const by = OFF_WALLS / Math.max(0.2, dot);
    return { east: corner.east + by * (one.east + other.east), north: corner.north + by * (one.north + other.north) };
  });
}

/** Whether a straight stretch passes through an outline; its ends may stand at a wall. */
function passesThrough(outline: readonly Place[], a: Place, b: Place): boolean {
  if (isWithin(outline, { east: (a.east + b.east) / 2, north: (a.north + b.north) / 2 })) return true;
  return sidesOf(outline).some(([c, d]) => {
    const met = crossing(a, b, c, d);
    return met !== null && met.first > 0.001 && met.first < 0.999;
  });
}

/** Round the buildings of a job by their corners (a graph of what sees what; Dijkstra); straight where nothing stands between or nothing helps. */
export function routeAround(job: Job, from: Place, to: Place): Place[] {
  const outlines = ofKind(job, 'building').flatMap(({ outline }) => (outline ? [outline] : []));
  const free = (a: Place, b: Place): boolean => !outlines.some((outline) => passesThrough(outline, a, b));
  if (free(from, to)) return [from, to];
  const turns = outlines.flatMap(cornersRound).filter((place) => !outlines.some((outline) => isWithin(outline, place)));
  const nodes = [from, ...turns.slice(0, 80), to];
  const length = nodes.map(() => Infinity);
  const before = nodes.map(() => -1);
  const done = new Set<number>();
  length[0] = 0;
  for (;;) {
    const at = length.reduce((best, each, k) => (!done.has(k) && each < (length[best] ?? Infinity) ? k : best), -1);
    if (at === -1 || !Number.isFinite(length[at]!)) return [from, to];
    if (at === nodes.length - 1) break;
    done.add(at);
    for (let k = 0; k < nodes.length; k++) {
      if (done.has(k)) continue;
      const next = length[at]! + distance(nodes[at]!, nodes[k]!);
      if (next < length[k]! && free(nodes[at]!, nodes[k]!)) {
        length[k] = next;
        before[k] = at;
      }
    }
  }
  const route: Place[] = [];
  for (let k = nodes.length - 1; k !== -1; k = before[k]!) route.unshift(nodes[k]!);
  return route;
}
