/** The lie of a seeded yard: a house at the origin and the ground about it. */
import type { Place } from '../site/place';
import type { Hand } from '../numeric/dice';

export const HOUSE = { east: 14, north: 9 };

export interface Lie {
  hand: Hand;
  /** Whether it was levelled: what stands on it reads its level there. */
  measured: boolean;
  level(place: Place): number;
}

export const at = (east: number, north: number): Place => ({ east, north });

/** Falls away from the house on every side, with one hollow in the yard before it. */
export function lieOf(hand: Hand): Lie {
  const fall = hand.between(0.012, 0.05);
  const hollow = {
    ...at(hand.between(-2, 16), hand.between(-14, -5)),
    deep: hand.chance(0.4) ? hand.between(0, 0.25) : 0,
  };
  return {
    hand,
    measured: hand.chance(0.5),
    level: ({ east, north }) => {
      const out = Math.max(0, -north, north - HOUSE.north, -east, east - HOUSE.east);
      const far = ((east - hollow.east) ** 2 + (north - hollow.north) ** 2) / 9;
      return -fall * out - hollow.deep * Math.exp(-far);
    },
  };
}
