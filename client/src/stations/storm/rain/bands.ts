/** Depths of water over the ground in a few steps, and the water of each as one path with smooth edges. */
import type { StormSeen } from '@katabasis/core/simulation';
import { contours } from 'd3-contour';
import type { Scaled } from '../../../drawing/siteSheet';

type Grid = NonNullable<StormSeen['grid']>;

/** From how deep on a step begins, mm: 1/8 in, 1/2 in, 1 in, 3 in. */
export const BANDS = [3, 12, 25, 75] as const;

/** Depths with water led on into the dry cells beside it, half as deep: its edge then lies where the cell ends, also under a wall drawn over it. */
function edged(ground: Uint8Array, { cols, rows }: Grid): Float64Array {
  const wide = Float64Array.from(ground);
  for (let at = 0; at < ground.length; at++) {
    if (ground[at]! > 0) continue;
    const col = at % cols;
    const most = Math.max(
      col > 0 ? ground[at - 1]! : 0,
      col < cols - 1 ? ground[at + 1]! : 0,
      at >= cols ? ground[at - cols]! : 0,
      at < (rows - 1) * cols ? ground[at + cols]! : 0,
    );
    wide[at] = most / 2;
  }
  return wide;
}

/** A path for each step, each lying on the one before it. */
export function bandPaths(ground: Uint8Array, grid: Grid, { x, y }: Scaled): string[] {
  const { cols, rows, cell, east, north } = grid;
  const paths = contours()
    .size([cols, rows])
    .thresholds([...BANDS])(edged(ground, grid) as unknown as number[])
    .map(({ coordinates }) =>
      coordinates
        .flatMap((polygon) =>
          polygon.map((ring) => {
            // A cell's figure stands in its middle, half a cell in.
            const points = ring.map(
              ([col, row]) =>
                `${x(east + (col! - 0.5) * cell).toFixed(1)} ${y(north + (row! - 0.5) * cell).toFixed(1)}`,
            );
            return `M${points.join('L')}Z`;
          }),
        )
        .join(''),
    );
  return BANDS.map((_, k) => paths[k] ?? '');
}
