/** Jars beside one another: which lets the water through fastest without the soil, and how sure that is by its repeats. */
import type { TestOf } from '../../job/kinds';
import { belowT, tWithin } from '../../numeric/studentT';

export type Jar = TestOf<'jars'>['tries'][number];
type Colour = Jar['colour'];

/** One jar among the others, the best first. */
export interface Ranked {
  jar: Jar;
  /** Geometric mean of its times, s. */
  seconds: number;
  /** How many times as long as the best it takes, with the range of nine in ten; null of the best itself, and the range where nothing was repeated. */
  beside: { ratio: number; low: number | null; high: number | null } | null;
  /** How sure it is that it is slower than the one before it, 0–1; null where nothing was repeated, or what comes through tells them apart. */
  sure: number | null;
}

/** Muddy water is soil that goes into the pipe: however fast it is, it stands behind what runs clear. */
const CLASS: Record<Colour, number> = { clear: 0, cloudy: 1, muddy: 2 };
const NINE_IN_TEN = 0.9;

const mean = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0) / values.length;

/**
 * Times are spread by a share of themselves, so their logarithms are compared; all jars of a test share one spread, pooled over their repeats
 * with N − k degrees of freedom, and two are told apart by Student's t (Snedecor and Cochran, Statistical Methods, one-way classification).
 */
export function rankJars(tries: readonly Jar[]): Ranked[] {
  const jars = tries.map((jar) => {
    const logs = jar.seconds.map(Math.log);
    const middle = mean(logs);
    return { jar, middle, count: logs.length, squares: logs.reduce((sum, each) => sum + (each - middle) ** 2, 0) };
  });
  jars.sort((a, b) => CLASS[a.jar.colour] - CLASS[b.jar.colour] || a.middle - b.middle);
  const nu = jars.reduce((sum, { count }) => sum + count - 1, 0);
  const spread = nu > 0 ? Math.sqrt(jars.reduce((sum, { squares }) => sum + squares, 0) / nu) : null;
  const [best] = jars;
  return jars.map((own, k): Ranked => {
    const before = jars[k - 1];
    const error = (other: typeof own): number => spread! * Math.sqrt(1 / own.count + 1 / other.count);
    const apart = before !== undefined && before.jar.colour === own.jar.colour && spread !== null;
    const by = own.middle - best!.middle;
    const wide = spread === null || k === 0 ? null : tWithin(NINE_IN_TEN, nu) * error(best!);
    return {
      jar: own.jar,
      seconds: Math.exp(own.middle),
      beside:
        k === 0
          ? null
          : {
              ratio: Math.exp(by),
              low: wide === null ? null : Math.exp(by - wide),
              high: wide === null ? null : Math.exp(by + wide),
            },
      sure: apart ? sureOf(own.middle - before.middle, error(before), nu) : null,
    };
  });
}

/** How sure it is that a difference is more than nought; times that agree to the last second leave no doubt but where they are the same. */
function sureOf(difference: number, error: number, nu: number): number {
  if (error > 1e-12) return belowT(difference / error, nu);
  return difference > 1e-12 ? 1 : 0.5;
}
