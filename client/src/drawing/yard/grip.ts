/** The handle that moves all of a thing. */
import { extentOf, footOnWay, isWithin, placeAlong, roundOf, wayLength, type Place } from '@katabasis/core';
import type { Thing } from './scene';

/** Parts of an outline's width and height that its inside is looked for in. */
const PARTS = 12;

/** The place within an outline that is farthest from its edge, as near as a finger asks: of an L its middle is no corner's. */
function insideOf(outline: readonly Place[]): Place {
  const { west, east, south, north } = extentOf(outline)!;
  let best = { place: outline[0]!, away: 0 };
  for (let k = 1; k < PARTS; k++)
    for (let j = 1; j < PARTS; j++) {
      const place = { east: west + ((east - west) * k) / PARTS, north: south + ((north - south) * j) / PARTS };
      const away = isWithin(outline, place) ? footOnWay(roundOf(outline), place)!.distance : 0;
      if (away > best.away + 1e-9) best = { place, away };
    }
  return best.place;
}

/** Where a finger takes hold of a whole thing: well inside an outline, or half way along; null of what its one handle moves, and of what hangs on others. */
export function gripOf(thing: Thing | undefined): Place | null {
  if (!thing || thing.kind === 'run' || thing.kind === 'opening' || thing.places.length < 2) return null;
  if (thing.shape === 'outline') return insideOf(thing.places);
  // Beside the middle corner of a way, which has a handle of its own.
  return placeAlong(thing.places, wayLength(thing.places) * (thing.places.length % 2 === 0 ? 0.5 : 0.4));
}
