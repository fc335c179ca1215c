/** The fewest sticks from which some lengths can be cut: exact for up to some dozens of pieces. */

export interface Cut {
  sticks: number;
  /** Left over in all, m. */
  offcut: number;
  /** Pieces of each stick, m; a length of more than a stick takes whole ones, and its rest is a piece. */
  pieces: readonly (readonly number[])[];
  /** Whether it is proved that fewer will not do, and the places that were tried for it. */
  proved: boolean;
  steps: number;
}

/** A saw's cut and a tape's reading are no finer, m. */
const TOLERANCE = 1e-6;
/** Steps of the search; after them the best found stands, unproved. */
const MAX_STEPS = 200_000;

/** Cuts lengths (m) from sticks of one length (m), none of them coupled within a stick's length. */
export function cutStock(lengths: readonly number[], stick: number): Cut {
  const whole: number[][] = [];
  const pieces: number[] = [];
  for (const length of lengths) {
    const full = Math.floor(length / stick + TOLERANCE);
    for (let k = 0; k < full; k++) whole.push([stick]);
    const rest = length - full * stick;
    if (rest > TOLERANCE) pieces.push(rest);
  }
  const { bins, proved, steps } = fewestBins(
    pieces.sort((a, b) => b - a),
    stick,
  );
  const sticks = whole.length + bins.length;
  const total = lengths.reduce((sum, length) => sum + length, 0);
  return { sticks, offcut: Math.max(0, sticks * stick - total), pieces: [...whole, ...bins], proved, steps };
}

/** Fewest that any packing can do with (Martello & Toth 1990, L2): pieces over half a stick each want one, and what is left must fit beside them. */
function leastBins(sorted: readonly number[], stick: number): number {
  const sum = sorted.reduce((all, each) => all + each, 0);
  let least = Math.ceil(sum / stick - TOLERANCE);
  for (const bound of new Set(sorted.filter((each) => each <= stick / 2))) {
    const large = sorted.filter((each) => each > stick - bound + TOLERANCE);
    const middle = sorted.filter((each) => each > stick / 2 + TOLERANCE && each <= stick - bound + TOLERANCE);
    const small = sorted.filter((each) => each <= stick / 2 + TOLERANCE && each >= bound - TOLERANCE);
    const beside = middle.length * stick - middle.reduce((all, each) => all + each, 0);
    const over = small.reduce((all, each) => all + each, 0) - beside;
    least = Math.max(least, large.length + middle.length + Math.max(0, Math.ceil(over / stick - TOLERANCE)));
  }
  return Math.max(least, sorted.filter((each) => each > stick / 2 + TOLERANCE).length);
}

/** Each piece into the first stick that has room, longest first. */
function firstFit(sorted: readonly number[], stick: number): number[][] {
  const bins: { left: number; pieces: number[] }[] = [];
  for (const piece of sorted) {
    const bin = bins.find(({ left }) => left + TOLERANCE >= piece);
    if (bin) {
      bin.left -= piece;
      bin.pieces.push(piece);
    } else bins.push({ left: stick - piece, pieces: [piece] });
  }
  return bins.map(({ pieces }) => pieces);
}

/** Branch and bound over where each piece goes, longest first; sticks with the same room left are tried once. */
function fewestBins(sorted: readonly number[], stick: number): { bins: number[][]; proved: boolean; steps: number } {
  let best = firstFit(sorted, stick);
  const least = leastBins(sorted, stick);
  const rest = sorted.map((_, k) => sorted.slice(k).reduce((sum, each) => sum + each, 0));
  const bins: { left: number; pieces: number[] }[] = [];
  let steps = 0;
  const place = (k: number): void => {
    if (best.length === least || steps++ > MAX_STEPS) return;
    if (k === sorted.length) {
      if (bins.length < best.length) best = bins.map(({ pieces }) => [...pieces]);
      return;
    }
    const room = bins.reduce((sum, { left }) => sum + left, 0);
    if (bins.length + Math.max(0, Math.ceil((rest[k]! - room) / stick - TOLERANCE)) >= best.length) return;
    const tried = new Set<string>();
    for (const bin of bins) {
      const key = bin.left.toFixed(6);
      if (bin.left + TOLERANCE < sorted[k]! || tried.has(key)) continue;
      tried.add(key);
      bin.left -= sorted[k]!;
      bin.pieces.push(sorted[k]!);
      place(k + 1);
      bin.pieces.pop();
      bin.left += sorted[k]!;
    }
    if (bins.length + 1 >= best.length) return;
    bins.push({ left: stick - sorted[k]!, pieces: [sorted[k]!] });
    place(k + 1);
    bins.pop();
  };
  place(0);
  return { bins: best, proved: best.length === least || steps <= MAX_STEPS, steps };
}
