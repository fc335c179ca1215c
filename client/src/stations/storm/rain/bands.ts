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

/** Cells that a picture is drawn from at most: edges of 57,600 took 32 ms, of these 6. */
const DRAWN = 10_000;

/** The same in fewer cells, each as deep as those in it are in the mean. */
function drawnFrom(ground: Uint8Array, grid: Grid): { ground: Uint8Array; grid: Grid } {
  const every = Math.ceil(Math.sqrt(ground.length / DRAWN));
  if (every <= 1) return { ground, grid };
  const { cols, rows, cell, east, north } = grid;
  const [across, along] = [Math.ceil(cols / every), Math.ceil(rows / every)];
  const [sums, counts] = [new Float64Array(across * along), new Float64Array(across * along)];
  for (let at = 0; at < ground.length; at++) {
    const into = Math.floor(Math.floor(at / cols) / every) * across + Math.floor((at % cols) / every);
    sums[into]! += ground[at]!;
    counts[into]!++;
  }
  const to = ((every - 1) / 2) * cell;
  return {
    ground: Uint8Array.from(sums, (sum, k) => Math.round(sum / counts[k]!)),
    grid: { cols: across, rows: along, cell: cell * every, east: east + to, north: north + to },
  };
}

/** A path for each step, each lying on the one before it. */
export function bandPaths(whole: Uint8Array, of: Grid, { x, y }: Scaled): string[] {
  const { ground, grid } = drawnFrom(whole, of);
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
