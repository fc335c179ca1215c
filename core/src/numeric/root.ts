/**
 * The root of a continuous function between two points where its signs differ. Chandrupatla's method (1997): inverse quadratic steps
 * where they can be trusted and halving where not, so it is quick on smooth functions and always ends.
 */
export function rootBetween(low: number, high: number, f: (x: number) => number, tolerance = 1e-14): number {
  let a = low;
  let b = high;
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  let c = a;
  let fc = fa;
  let share = 0.5;
  for (let step = 0; step < 100; step++) {
    const x = a + share * (b - a);
    const fx = f(x);
    if (fx === 0) return x;
    if (fx > 0 === fa > 0) {
      c = a;
      fc = fa;
    } else {
      c = b;
      fc = fb;
      b = a;
      fb = fa;
    }
    a = x;
    fa = fx;
    const best = Math.abs(fa) < Math.abs(fb) ? a : b;
    const width = Math.abs(b - c);
    const least = (2e-16 * Math.abs(best) + tolerance * 0.5 * Math.abs(high - low)) / Math.max(width, Number.MIN_VALUE);
    if (least > 0.5) return best;
    const xi = (a - b) / (c - b);
    const phi = (fa - fb) / (fc - fb);
    const trusted = phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi;
    share = trusted
      ? (fa / (fb - fa)) * (fc / (fb - fc)) + (((c - a) / (b - a)) * fa * fb) / ((fc - fa) * (fc - fb))
      : 0.5;
    share = Math.min(1 - least, Math.max(least, share));
  }
  return Math.abs(fa) < Math.abs(fb) ? a : b;
}
