/** The median of a few figures with the range that it lies in, whatever they are spread like and however far off one of them is. */

export interface MedianRange {
  median: number;
  low: number;
  high: number;
  /** How often such a range holds the true median, 0–1. */
  holds: number;
  /** Figures that it is from. */
  count: number;
}

/** How often a range is wished to hold. */
const WISHED = 0.9;

/** The middle of sorted figures. */
const middle = (sorted: readonly number[]): number =>
  (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2;

/**
 * The median, and the narrowest pair of order statistics that holds it in nine of ten cases: the k-th least and the k-th largest of n hold it
 * with 1 − 2 P(B < k), B binomial of n and one half (David and Nagaraja, Order Statistics, 7.1). Of fewer than five figures the whole range,
 * with how often that holds. Null of none.
 */
export function medianRange(values: readonly number[]): MedianRange | null {
  const count = values.length;
  if (count === 0) return null;
  const sorted = values.toSorted((a, b) => a - b);
  let outside = 0;
  let chance = 0.5 ** count;
  let k = 0;
  // P(B ≤ k) by its terms in turn.
  while (k < count / 2) {
    if (1 - 2 * (outside + chance) < WISHED && k > 0) break;
    outside += chance;
    chance *= (count - k) / (k + 1);
    k++;
  }
  return {
    median: middle(sorted),
    low: sorted[k - 1]!,
    high: sorted[count - k]!,
    holds: Math.max(0, 1 - 2 * outside),
    count,
  };
}
