/** A row of points with straight lines between them. */

/** Value and slope at a place on a row of points that rise in x, going on past the ends. */
export function straightOn(x: readonly number[], y: readonly number[], at: number): { value: number; slope: number } {
  let k = 1;
  while (k < x.length - 1 && x[k]! <= at) k++;
  const slope = (y[k]! - y[k - 1]!) / (x[k]! - x[k - 1]!);
  return { value: y[k - 1]! + slope * (at - x[k - 1]!), slope };
}
