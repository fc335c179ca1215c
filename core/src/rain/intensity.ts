/** Intensity–duration tables: log–log between rows, and the three-constant fit i = a / (t + b)^c. */

export interface IntensityTable {
  /** s, rising. */
  durations: readonly number[];
  /** m/s, one a duration. */
  intensities: readonly number[];
}

/**
 * Intensity (m/s) of a duration (s), linear in ln i against ln d. Outside the table the nearest row holds: shorter rains have not
 * been measured, and a longer one is weaker, so this errs to the safe side.
 */
export function intensityOf({ durations, intensities }: IntensityTable, duration: number): number {
  const last = durations.length - 1;
  if (duration <= durations[0]!) return intensities[0]!;
  if (duration >= durations[last]!) return intensities[last]!;
  let upper = 1;
  while (durations[upper]! < duration) upper++;
  const share = Math.log(duration / durations[upper - 1]!) / Math.log(durations[upper]! / durations[upper - 1]!);
  return intensities[upper - 1]! * (intensities[upper]! / intensities[upper - 1]!) ** share;
}

export interface RainFit {
  /** i = a / (t + b)^c with t in s and i in m/s. */
  a: number;
  b: number;
  c: number;
  /** Largest relative miss of the fit at a row. */
  worst: number;
}

/** Straight line through (x, y) by least squares: intercept, slope, sum of squares missed. */
function straight(x: readonly number[], y: readonly number[]): { intercept: number; slope: number; missed: number } {
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [mx, my] = [mean(x), mean(y)];
  const sxx = x.reduce((sum, value) => sum + (value - mx) ** 2, 0);
  const sxy = x.reduce((sum, value, k) => sum + (value - mx) * (y[k]! - my), 0);
  const slope = sxy / sxx;
  const intercept = my - slope * mx;
  return { intercept, slope, missed: y.reduce((sum, value, k) => sum + (value - intercept - slope * x[k]!) ** 2, 0) };
}

/** Longest shift tried for b, s: an hour. */
const MAX_SHIFT = 3600;

/** Fits the three constants to a table of three rows or more: for a given b the rest is a straight line in logs, and b is searched. */
export function fitRain({ durations, intensities }: IntensityTable): RainFit {
  const y = intensities.map(Math.log);
  const at = (b: number): ReturnType<typeof straight> =>
    straight(
      durations.map((duration) => Math.log(duration + b)),
      y,
    );
  const golden = (Math.sqrt(5) - 1) / 2;
  let low = 0;
  let high = MAX_SHIFT;
  while (high - low > 1e-3) {
    const width = golden * (high - low);
    if (at(high - width).missed < at(low + width).missed) high = low + width;
    else low = high - width;
  }
  const b = (low + high) / 2;
  const { intercept, slope } = at(b);
  const fit = { a: Math.exp(intercept), b, c: -slope };
  return {
    ...fit,
    worst: Math.max(...durations.map((duration, k) => Math.abs(fit.a / (duration + b) ** fit.c / intensities[k]! - 1))),
  };
}
