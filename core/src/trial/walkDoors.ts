/** Doors that are drawn, by the walk of the trials: water that stands at a basin stands as high at a door beside it. */
import { elementOf, ofKind } from '../job/job';
import { WATER, type Walk } from './walking';

/** Beside it, m: 10 ft, and a hand less for how the two measure. */
const BESIDE = 2.95;

/** Nearest that a point comes to a stretch, m, found by walking along it. */
function nearest(from: [number, number], to: [number, number], point: [number, number]): number {
  let best = Infinity;
  for (let k = 0; k <= 400; k++) {
    const share = k / 400;
    const [x, y] = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
    best = Math.min(best, Math.hypot(x - point[0], y - point[1]));
  }
  return best;
}

export function walkDoors({ job, plan, stands, wrong }: Walk): void {
  for (const { id, building, wall, along, width = 0.9, sillLevel } of ofKind(job, 'opening')) {
    const outline = building === undefined ? undefined : elementOf(job, 'building', building)?.outline;
    if (!outline || wall === undefined || sillLevel === undefined) continue;
    const [a, b] = [outline[wall]!, outline[(wall + 1) % outline.length]!];
    const length = Math.hypot(b.east - a.east, b.north - a.north);
    const at = (m: number): [number, number] => [
      a.east + ((b.east - a.east) * m) / length,
      a.north + ((b.north - a.north) * m) / length,
    ];
    const middle = along ?? length / 2;
    for (const { id: inlet, place } of ofKind(job, 'basin')) {
      const level = stands.get(inlet);
      if (!place || level === undefined) continue;
      if (nearest(at(middle - width / 2), at(middle + width / 2), [place.east, place.north]) > BESIDE) continue;
      if (sillLevel - level < plan.settings.openingMargin - WATER) wrong.push(`water from ${inlet} comes near ${id}`);
    }
  }
}
