/** Dice that fall the same on every machine. */

/** Numbers from 0 to 1, by mulberry32: thirty-two bits of state are enough for a yard. */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

export interface Hand {
  chance(share: number): boolean;
  between(low: number, high: number): number;
  pick<T>(from: readonly T[]): T;
}

export function handOf(seed: number): Hand {
  const roll = dice(seed);
  return {
    chance: (share) => roll() < share,
    // Tenths of a millimetre: finer than anything on site, and short in a file.
    between: (low, high) => Math.round((low + (high - low) * roll()) * 1e4) / 1e4,
    pick: (from) => from[Math.floor(roll() * from.length)]!,
  };
}
