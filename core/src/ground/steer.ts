/**
 * Which of its 8 neighbours each cell gives its water to. Down the steepest of them a whole slope runs off in one of 8 directions, so that
 * what an inlet gathers turns with the plan. Here a path carries along how far it has strayed from where the slope would have led it, and
 * each step is the one that brings it back: least transversal deviation (Orlandini, Moretti, Franchini, Aldighieri & Testa 2003, Water
 * Resources Research 39(6)). Slopes are those of the 8 triangles between a cell and its neighbours (Tarboton 1997).
 */

/** A padded grid that the water has been over: every index is a padded one. */
export interface Steered {
  level: Float64Array;
  /** Level to which each cell fills, m. */
  filled: Float64Array;
  /** Cell that each was first reached from; below 0 where it lies on the open edge. */
  from: Int32Array;
  /** Cells in the order reached: none before one that it can give its water to. */
  order: Int32Array;
  /** Steps to the neighbours: up, left, right and down a row, then the corners. */
  around: readonly number[];
  /** By cell, a bit for each of those steps that leads over a ridge: no water goes that way by itself. */
  over: Uint8Array;
}

//
//   4 0 5      places in `around`; a triangle lies between a cell, one of its sides and the corner next to that,
//   1 . 2      which is to the side's right as one looks out from the cell (+1), or to its left (−1)
//   6 3 7
const SIDES = [2, 3, 3, 1, 1, 0, 0, 2] as const;
const CORNERS = [7, 7, 6, 6, 4, 4, 5, 5] as const;
const HANDS = [1, -1, 1, -1, 1, -1, 1, -1] as const;

/** The way down from one cell: its place in `around`; of a slope between a side and a corner the side, and how that slope lies. */
interface Way {
  side: number;
  corner: number;
  /** +1 or −1: the corner is to the right of the side, or to its left. */
  hand: number;
  /** Fall to the side and from there to the corner, m, and both together. */
  ahead: number;
  aside: number;
  steepest: number;
  /** The step that is taken, by its place in `around`. */
  taken: number;
}

/** Finds the steepest way down by the falls to the 8 neighbours, m; NaN where no water goes. False where there is none. */
function steepestWay(falls: Float64Array, way: Way): boolean {
  let best = 0;
  for (let facet = 0; facet < 8; facet++) {
    const side = SIDES[facet]!;
    const corner = CORNERS[facet]!;
    const ahead = falls[side]!;
    const across = falls[corner]!;
    const aside = across - ahead;
    // Comparing with NaN is never true. Of a side that is not below the corner may be, and the other way round.
    if (aside > 0 && aside < ahead) {
      const square = ahead * ahead + aside * aside;
      if (square <= best) continue;
      best = square;
      way.side = side;
      way.corner = corner;
      way.hand = HANDS[facet]!;
      way.ahead = ahead;
      way.aside = aside;
      continue;
    }
    if (ahead > 0 && ahead * ahead > best) {
      best = ahead * ahead;
      way.side = side;
      way.corner = -1;
    }
    if (across > 0 && (across * across) / 2 > best) {
      best = (across * across) / 2;
      way.side = corner;
      way.corner = -1;
    }
  }
  way.steepest = Math.sqrt(best);
  return best > 0;
}

/** Takes the step that brings a path back the better that has strayed so far to the right, in cells; gives how far it has then. */
function step(way: Way, strayed: number): number {
  way.taken = way.side;
  if (way.corner < 0) return 0;
  // With the slope at an angle a from the side's: sin a, and √2 sin(45° − a) = cos a − sin a.
  const straight = strayed - (way.hand * way.aside) / way.steepest;
  const cornerwise = strayed + (way.hand * (way.ahead - way.aside)) / way.steepest;
  if (Math.abs(cornerwise) >= Math.abs(straight)) return straight;
  way.taken = way.corner;
  return cornerwise;
}

/** The cell that takes each cell's water, by padded index; as `from` where the cell is drowned. */
export function steered({ level, filled, from, order, around, over }: Steered): Int32Array {
  const to = from.slice();
  /** How far the largest stream through each cell has strayed to the right, in cells; how many cells that stream drains, and all. */
  const strayed = new Float64Array(over.length);
  const largest = new Int32Array(over.length);
  const drains = new Int32Array(over.length);
  const falls = new Float64Array(8);
  const way: Way = { side: 0, corner: -1, hand: 0, ahead: 0, aside: 0, steepest: 0, taken: 0 };
  // From the highest down: all that comes to a cell has come before it is asked where it goes.
  for (let k = order.length - 1; k >= 0; k--) {
    const cell = order[k]!;
    const here = filled[cell]!;
    let off = 0;
    if (here === level[cell]) {
      const barred = over[cell]!;
      for (let beside = 0; beside < 8; beside++)
        falls[beside] = ((barred >> beside) & 1) === 1 ? NaN : here - filled[cell + around[beside]!]!;
      if (steepestWay(falls, way)) {
        off = step(way, strayed[cell]!);
        to[cell] = cell + around[way.taken]!;
      }
    }
    const next = to[cell]!;
    const drained = ++drains[cell]!;
    if (next < 0) continue;
    drains[next]! += drained;
    if (drained > largest[next]!) {
      largest[next] = drained;
      strayed[next] = off;
    }
  }
  return to;
}
