/** Where words about a thing could stand, best first: round its mark, along its way, or within its outline. */
import type { Stand } from './labelled';
import type { Spot } from './spot';

interface Size {
  width: number;
  height: number;
}

/** Directions round a mark, best first: right, left, below, above, at the corners, and slid half along a side. */
const ROUND: readonly (readonly [right: number, down: number])[] = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, -1],
  [1, 1],
  [-1, -1],
  [-1, 1],
  [0.5, 1],
  [-0.5, 1],
  [0.5, -1],
  [-0.5, -1],
  [1, 0.5],
  [-1, 0.5],
  [1, -0.5],
  [-1, -0.5],
];
/** How far from a mark words may stand, px: from the second on a leader says what they belong to. */
const RINGS = [
  { out: 6, cost: 0 },
  { out: 20, cost: 30 },
  { out: 40, cost: 60 },
  { out: 68, cost: 120 },
];
const LEADS_FROM = 20;

/** Round a mark of so much room, px about its spot, on so many rings: one is beside it, with no leader. */
export function round(at: Spot, mark: number, { width, height }: Size, rings = 3): Stand[] {
  return RINGS.slice(0, rings).flatMap(({ out, cost }) =>
    ROUND.map(([right, down]): Stand => {
      const off = mark + out;
      // Off the mark on the sides that it is beside; slid along the others.
      const x = at.x + Math.trunc(right) * off + (right * width) / 2;
      const y = at.y + Math.trunc(down) * off + (down * height) / 2;
      if (out < LEADS_FROM) return { x, y, turn: 0, cost };
      // From the edge of the mark's own room.
      return {
        x,
        y,
        turn: 0,
        cost,
        leader: { x: at.x + Math.trunc(right) * (mark + 1), y: at.y + Math.trunc(down) * (mark + 1) },
      };
    }),
  );
}

/** Shares of a stretch that words may stand at, from its middle outward. */
const SHARES = [0.5, 0.38, 0.62, 0.26, 0.74, 0.14, 0.86];

/** Along a way of spots, on its longest stretches first, above it and below; `off`: half of how wide it is drawn, px. None where it is shorter than the words. */
export function along(spots: readonly Spot[], off: number, { width, height }: Size): Stand[] {
  const stretches = spots
    .slice(1)
    .map((b, k) => ({ a: spots[k]!, b, length: Math.hypot(b.x - spots[k]!.x, b.y - spots[k]!.y) }))
    .filter(({ length }) => length >= width + 8)
    .sort((one, other) => other.length - one.length)
    .slice(0, 3);
  return stretches.flatMap(({ a, b, length }) => {
    // Read from the left, or from below where it stands upright.
    const [from, to] = a.x <= b.x ? [a, b] : [b, a];
    const turn = Math.atan2(to.y - from.y, to.x - from.x);
    const room = (width / 2 + 4) / length;
    return SHARES.filter((share) => share >= room && share <= 1 - room).flatMap((share) =>
      [-1, 1].map((side): Stand => {
        const away = side * (off + 6 + height / 2);
        return {
          x: from.x + share * (to.x - from.x) - away * Math.sin(turn),
          y: from.y + share * (to.y - from.y) + away * Math.cos(turn),
          turn,
        };
      }),
    );
  });
}

/** Whether a spot lies within an outline. */
function isIn(outline: readonly Spot[], { x, y }: Spot): boolean {
  let inside = false;
  for (let k = 0, j = outline.length - 1; k < outline.length; j = k++) {
    const [a, b] = [outline[k]!, outline[j]!];
    if (a.y > y !== b.y > y && x < a.x + ((y - a.y) * (b.x - a.x)) / (b.y - a.y)) inside = !inside;
  }
  return inside;
}

/** Stands that lie in none of some outlines. */
export const outOf = (stands: readonly Stand[], outlines: readonly (readonly Spot[])[]): Stand[] =>
  stands.filter((stand) => !outlines.some((outline) => isIn(outline, stand)));

/** Steps across an outline that are looked at. */
const STEPS = 9;

/** Within an outline, nearest to its middle first; none where the words are wider than it. */
export function within(outline: readonly Spot[], { width, height }: Size): Stand[] {
  const xs = outline.map(({ x }) => x);
  const ys = outline.map(({ y }) => y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  if (right - left < width || bottom - top < height) return [];
  const middle = { x: xs.reduce((a, b) => a + b, 0) / xs.length, y: ys.reduce((a, b) => a + b, 0) / ys.length };
  const stands: Stand[] = [];
  for (let row = 0; row < STEPS; row++)
    for (let col = 0; col < STEPS; col++) {
      const x = left + width / 2 + ((right - left - width) * col) / (STEPS - 1);
      const y = top + height / 2 + ((bottom - top - height) * row) / (STEPS - 1);
      const corners = [-1, 1].flatMap((h) => [-1, 1].map((v) => ({ x: x + (h * width) / 2, y: y + (v * height) / 2 })));
      if (corners.every((corner) => isIn(outline, corner))) stands.push({ x, y, turn: 0 });
    }
  const off = ({ x, y }: Spot): number => Math.hypot(x - middle.x, 2 * (y - middle.y));
  return stands.sort((a, b) => off(a) - off(b));
}

/** On a line itself, at its straightest: where a contour's level is written and the line is broken. */
export function on(spots: readonly Spot[], { width }: Size): Stand[] {
  const stands: Stand[] = [];
  const least = width + 6;
  for (let k = 0; k < spots.length; k++) {
    const a = spots[k]!;
    let [j, gone] = [k, 0];
    while (j + 1 < spots.length && gone < least) {
      gone += Math.hypot(spots[j + 1]!.x - spots[j]!.x, spots[j + 1]!.y - spots[j]!.y);
      j++;
    }
    if (gone < least) break;
    const b = spots[j]!;
    const chord = Math.hypot(b.x - a.x, b.y - a.y);
    if (chord < 0.94 * gone) continue;
    const [from, to] = a.x <= b.x ? [a, b] : [b, a];
    stands.push({
      x: (a.x + b.x) / 2,
      y: (a.y + b.y) / 2,
      turn: Math.atan2(to.y - from.y, to.x - from.x),
    });
  }
  // From the middle of it outward, no more than a few.
  const half = stands.length / 2;
  return stands
    .map((stand, k) => ({ stand, off: Math.abs(k - half) }))
    .sort((one, other) => one.off - other.off)
    .filter((_, k) => k % Math.max(1, Math.floor(stands.length / 16)) === 0)
    .map(({ stand }) => stand);
}
