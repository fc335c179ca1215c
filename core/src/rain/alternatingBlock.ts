/** A storm made of a table: every duration about its middle brings just what the table says of it. */
import { intensityOf, type IntensityTable } from './intensity';

/**
 * Intensities (m/s) of `count` (odd) blocks of `step` s: the table's depths by duration, taken apart into increments, the largest in the
 * middle, the second after it, the third before it, and so on (alternating blocks; Chow, Maidment & Mays 1988, §14.4).
 */
export function alternatingBlock(table: IntensityTable, step: number, count: number): number[] {
  const depths = [0];
  for (let k = 1; k <= count; k++) depths.push(Math.max(depths[k - 1]!, intensityOf(table, k * step) * k * step));
  const increments = depths
    .slice(1)
    .map((depth, k) => depth - depths[k]!)
    .sort((one, other) => other - one);
  const blocks = new Array<number>(count);
  const middle = (count - 1) / 2;
  increments.forEach((depth, rank) => {
    const away = Math.ceil(rank / 2);
    blocks[rank % 2 === 1 ? middle + away : middle - away] = depth / step;
  });
  return blocks;
}
