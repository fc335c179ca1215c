/** Which of several words along a line have room, and in which row: none lies over another. */
export interface Label {
  x: number;
  /** px */
  width: number;
}

export interface Placed {
  /** Left end of the words. */
  left: number;
  row: number;
}

/** Room between two words of a row, px. */
const GAP = 8;

/**
 * Places words about their x in the first row that has room, kept inside `from` to `to`; null for those that have none. The ends come
 * first, then the others in order: what a line leads from and to is never left out for what lies between.
 */
export function placeLabels(labels: readonly Label[], rows: number, from: number, to: number): (Placed | null)[] {
  const taken: { left: number; right: number }[][] = Array.from({ length: rows }, () => []);
  const placed: (Placed | null)[] = labels.map(() => null);
  const last = labels.length - 1;
  const order = [...new Set([0, last, ...labels.keys()])].filter((index) => labels[index]);
  for (const index of order) {
    const { x, width } = labels[index]!;
    if (width > to - from) continue;
    const left = Math.max(from, Math.min(to - width, x - width / 2));
    const row = taken.findIndex((others) =>
      others.every((other) => left > other.right + GAP || left + width < other.left - GAP),
    );
    if (row < 0) continue;
    taken[row]!.push({ left, right: left + width });
    placed[index] = { left, row };
  }
  return placed;
}
