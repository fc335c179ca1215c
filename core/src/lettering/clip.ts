/** The part of a stretch that lies in a box (Liang & Barsky 1984), as shares of it from 0 to 1; null where none does. */
import type { Box, Spot } from './spot';

export function clipped(a: Spot, b: Spot, { left, top, right, bottom }: Box): [from: number, to: number] | null {
  let [from, to] = [0, 1];
  const sides: [by: number, room: number][] = [
    [a.x - b.x, a.x - left],
    [b.x - a.x, right - a.x],
    [a.y - b.y, a.y - top],
    [b.y - a.y, bottom - a.y],
  ];
  for (const [by, room] of sides) {
    if (by === 0) {
      if (room < 0) return null;
      continue;
    }
    const share = room / by;
    if (by < 0) from = Math.max(from, share);
    else to = Math.min(to, share);
  }
  return to >= from ? [from, to] : null;
}
