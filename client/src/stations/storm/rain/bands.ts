/** Depths of water over the ground in a few steps, and the cells of each as one path. */
import type { StormTold } from '@katabasis/core/simulation';

type Grid = NonNullable<StormTold['grid']>;

/** From how deep on a step begins, mm: 1/8 in, 1/2 in, 1 in, 3 in. */
export const BANDS = [3, 12, 25, 75] as const;

/** Of a depth (mm) the step that it is in; −1 where it is no water to speak of. */
export function bandOf(depth: number): number {
  let band = -1;
  for (const [k, from] of BANDS.entries()) if (depth >= from) band = k;
  return band;
}

/** A picture's own units for a place. */
export interface Scaled {
  x: (east: number) => number;
  y: (north: number) => number;
}

/** A path for each step: cells beside one another in a row are one rectangle. */
export function bandPaths(ground: Uint8Array, { cols, rows, cell, east, north }: Grid, { x, y }: Scaled): string[] {
  const paths = BANDS.map(() => '');
  const half = cell / 2;
  for (let row = 0; row < rows; row++) {
    const [top, foot] = [y(north + row * cell + half), y(north + row * cell - half)];
    let [from, band] = [0, -1];
    for (let col = 0; col <= cols; col++) {
      const here = col < cols ? bandOf(ground[row * cols + col]!) : -1;
      if (here === band) continue;
      if (band >= 0) {
        const [left, right] = [x(east + from * cell - half), x(east + (col - 1) * cell + half)];
        paths[band] +=
          `M${left.toFixed(1)} ${top.toFixed(1)}H${right.toFixed(1)}V${foot.toFixed(1)}H${left.toFixed(1)}Z`;
      }
      [from, band] = [col, here];
    }
  }
  return paths;
}

/** Time in a storm, as 0:41. */
export const clock = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};
