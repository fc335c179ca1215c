/** Where a finger means to put something: on a landing, a corner, a wall, or square to what was put before. */
import { bearing, distance, footOnWay, isLanding, onward, roundOf, type Place } from '@katabasis/core';
import type { Thing } from './scene';

export interface Snapped {
  place: Place;
  /** What it was drawn to, in words; null where it stands free. */
  to: string | null;
  /** The landing or run that it is. */
  id: string | null;
}

interface Asked {
  things: readonly Thing[];
  /** Left out, as the thing that is being moved. */
  not?: string;
  /** Put before, for right angles: the last two, or one. */
  before?: readonly Place[];
  /** m that a finger may be off. */
  reach: number;
}

/** How far from square a turn is still drawn square, rad. */
const NEARLY = 0.12;

export function snapTo(place: Place, { things, not, before = [], reach }: Asked): Snapped {
  const others = things.filter(({ id }) => id !== not);
  let best: Snapped | null = null;
  let least = reach;
  const offer = (at: Place, to: string, id: string | null): void => {
    const away = distance(at, place);
    if (away > least) return;
    best = { place: at, to, id };
    least = away;
  };
  for (const { id, kind, element, shape, places } of others) {
    if (isLanding(element)) for (const at of places) offer(at, 'on it', id);
    else if (kind === 'spotLevel') offer(places[0]!, 'on the level', id);
    else if (shape !== 'place' && kind !== 'run') for (const at of places) offer(at, 'corner', null);
  }
  if (best) return best;
  for (const { id, kind, shape, places } of others) {
    if (shape === 'place') continue;
    const foot = footOnWay(shape === 'outline' ? roundOf(places) : places, place);
    if (foot) offer(foot.place, kind === 'run' ? 'on the line' : 'on the edge', kind === 'run' ? id : null);
  }
  if (best) return best;
  return { ...squared(place, before, reach), id: null };
}

/** Square to the last stretch, or straight on from it. */
function squared(place: Place, before: readonly Place[], reach: number): { place: Place; to: string | null } {
  const [from, last] = [before.at(-2), before.at(-1)];
  if (!from || !last) return { place, to: null };
  const away = distance(last, place);
  const turn = bearing(last, place) - bearing(from, last);
  const right = Math.round(turn / (Math.PI / 2)) * (Math.PI / 2);
  if (Math.abs(turn - right) > NEARLY || Math.abs(turn - right) * away > 2 * reach) return { place, to: null };
  return { place: onward(last, bearing(from, last) + right, away * Math.cos(turn - right)), to: 'square' };
}
