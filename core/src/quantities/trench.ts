/** Earth of a trench between stations at which its depth is known. */

export interface TrenchLine {
  /** m along it, rising, and the depth at each, m; depth runs straight between them. */
  stations: readonly number[];
  depths: readonly number[];
  /** At its bottom, m, and how much wider each side gets a metre up. */
  width: number;
  sideSlope: number;
}

/**
 * Volume of a trench, m³, by the prismoidal rule V = L (A1 + 4 Am + A2)/6 between stations, which is exact where depth runs straight.
 * A depth of less than naught is none.
 */
export function trenchVolume({ stations, depths, width, sideSlope }: TrenchLine): number {
  const area = (depth: number): number => depth * (width + sideSlope * depth);
  let volume = 0;
  for (let k = 1; k < stations.length; k++) {
    let [length, a, b] = [stations[k]! - stations[k - 1]!, depths[k - 1]!, depths[k]!];
    if (a <= 0 && b <= 0) continue;
    // Where it comes out of the ground its trench ends.
    if (a < 0 || b < 0) {
      length *= Math.max(a, b) / Math.abs(a - b);
      [a, b] = [Math.max(0, a), Math.max(0, b)];
    }
    volume += (length * (area(a) + 4 * area((a + b) / 2) + area(b))) / 6;
  }
  return volume;
}
