/** Student's t for whole degrees of freedom. */

/**
 * How often |T| stays below t: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7.3 and 26.7.4, θ = arctan(t/√ν).
 * @param nu degrees of freedom, a whole number from 1 on
 */
export function withinT(t: number, nu: number): number {
  const theta = Math.atan(Math.abs(t) / Math.sqrt(nu));
  const [sin, cos] = [Math.sin(theta), Math.cos(theta)];
  const odd = nu % 2 === 1;
  let term = odd ? cos : 1;
  let sum = nu === 1 ? 0 : term;
  for (let k = odd ? 3 : 2; k <= nu - 2; k += 2) {
    term *= ((k - 1) / k) * cos * cos;
    sum += term;
  }
  return odd ? (2 / Math.PI) * (theta + sin * sum) : sin * sum;
}

/** How often T is less than t. */
export const belowT = (t: number, nu: number): number => 0.5 + (Math.sign(t) * withinT(t, nu)) / 2;

/** The t that |T| stays below in such a share of cases. */
export function tWithin(share: number, nu: number): number {
  let [low, high] = [0, 1];
  while (withinT(high, nu) < share) high *= 2;
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (withinT(middle, nu) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
