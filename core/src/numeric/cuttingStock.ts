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
/** Sticks looked at in the search, for a few dozen pieces and for more; after them the best found stands, unproved. */
const [MAX_VISITS, MAX_VISITS_OF_MANY, MANY] = [400_000, 20_000, 48];
/** Ways tried to fill one stick as full as it goes. */
const MAX_FILLS = 2000;

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

/** Each stick about the longest piece left, as full as it goes (minimum bin slack; Gupta & Ho 1999). */
function fullest(sorted: readonly number[], stick: number): number[][] {
  let left = [...sorted];
  const bins: number[][] = [];
  while (left.length > 0) {
    const [first, ...others] = left;
    const picked = fillBest(others, stick - first!);
    bins.push([first!, ...picked.map((k) => others[k]!)]);
    const gone = new Set(picked);
    left = others.filter((_, k) => !gone.has(k));
  }
  return bins;
}

/** Which of some pieces, longest first, fill a room best; by index. */
function fillBest(pieces: readonly number[], room: number): number[] {
  let best: number[] = [];
  let bestLeft = room;
  let fills = 0;
  const chosen: number[] = [];
  const fill = (from: number, left: number): void => {
    if (left < bestLeft) [best, bestLeft] = [[...chosen], left];
    let last = -1;
    for (let k = from; k < pieces.length && bestLeft > TOLERANCE && fills < MAX_FILLS; k++) {
      const piece = pieces[k]!;
      // As long as the one that was tried before it: the same again.
      if (piece > left + TOLERANCE || Math.abs(piece - last) <= TOLERANCE) continue;
      last = piece;
      fills++;
      chosen.push(k);
      fill(k + 1, left - piece);
      chosen.pop();
    }
  };
  fill(0, room);
  return best;
}

/** Branch and bound over where each piece goes, longest first; sticks with the same room left are tried once. */
function fewestBins(sorted: readonly number[], stick: number): { bins: number[][]; proved: boolean; steps: number } {
  const most = sorted.length > MANY ? MAX_VISITS_OF_MANY : MAX_VISITS;
  const least = leastBins(sorted, stick);
  let best = firstFit(sorted, stick);
  if (best.length > least) {
    const other = fullest(sorted, stick);
    if (other.length < best.length) best = other;
  }
  const rest = sorted.map((_, k) => sorted.slice(k).reduce((sum, each) => sum + each, 0));
  const lefts: number[] = [];
  const bins: number[][] = [];
  let [steps, visits, room] = [0, 0, 0];
  const place = (k: number): void => {
    if (best.length === least || visits > most) return;
    steps++;
    if (k === sorted.length) {
      if (bins.length < best.length) best = bins.map((pieces) => [...pieces]);
      return;
    }
    if (bins.length + Math.max(0, Math.ceil((rest[k]! - room) / stick - TOLERANCE)) >= best.length) return;
    const piece = sorted[k]!;
    for (let b = 0; b < bins.length; b++) {
      visits++;
      const left = lefts[b]!;
      if (left + TOLERANCE < piece || sameBefore(lefts, b)) continue;
      lefts[b] = left - piece;
      room -= piece;
      bins[b]!.push(piece);
      place(k + 1);
      bins[b]!.pop();
      room += piece;
      lefts[b] = left;
    }
    if (bins.length + 1 >= best.length) return;
    visits++;
    bins.push([piece]);
    lefts.push(stick - piece);
    room += stick - piece;
    place(k + 1);
    room -= stick - piece;
    lefts.pop();
    bins.pop();
  };
  place(0);
  return { bins: best, proved: best.length === least || visits <= most, steps };
}

/** Whether a stick before this one has the same room left. */
function sameBefore(lefts: readonly number[], at: number): boolean {
  for (let b = 0; b < at; b++) if (Math.abs(lefts[b]! - lefts[at]!) < TOLERANCE) return true;
  return false;
}
