/** What lies under a finger: the uppermost thing near it. */
import { footOnWay, isWithin, roundOf } from '@katabasis/core';
import type { Thing } from './scene';
import { spotOf, type Spot, type Viewport } from './viewport';

/** A thumb's reach, px. */
const REACH = 24;

const asPlace = ({ x, y }: Spot) => ({ east: x, north: y });

/** Distance from a spot to a thing as it is drawn, px; 0 on it. */
function reachTo(view: Viewport, { shape, places }: Thing, spot: Spot): number {
  const drawn = places.map((place) => asPlace(spotOf(view, place)));
  const at = asPlace(spot);
  if (shape === 'place') return Math.hypot(drawn[0]!.east - at.east, drawn[0]!.north - at.north);
  if (shape === 'outline') {
    if (isWithin(drawn, at)) return 0;
    return footOnWay(roundOf(drawn), at)!.distance;
  }
  return drawn.length === 1
    ? Math.hypot(drawn[0]!.east - at.east, drawn[0]!.north - at.north)
    : footOnWay(drawn, at)!.distance;
}

/** Within an outline nothing is nearer than a mark or a way that a finger could mean. */
const RANK = { place: 0, way: 1, outline: 2 } as const;

/** The thing that a tap means: a mark before a way, a way before an outline, then the nearest, then the uppermost; null for none. */
export function thingAt(view: Viewport, things: readonly Thing[], spot: Spot): Thing | null {
  let best: { thing: Thing; rank: number; reach: number } | null = null;
  for (const thing of things) {
    const reach = reachTo(view, thing, spot);
    if (reach > (thing.shape === 'outline' ? 0 : REACH)) continue;
    const rank = RANK[thing.shape];
    if (!best || rank < best.rank || (rank === best.rank && reach <= best.reach)) best = { thing, rank, reach };
  }
  return best?.thing ?? null;
}
