/** The walk's own way to find a root. */

/** Least x in a range from which `enough` holds, by halving. */
export function least(low: number, high: number, enough: (x: number) => boolean): number {
  let [a, b] = [low, high];
  for (let k = 0; k < 60; k++) {
    const middle = (a + b) / 2;
    if (enough(middle)) b = middle;
    else a = middle;
  }
  return b;
}
