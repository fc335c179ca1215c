/** A visit after rain: the storm run with what the gauge held, and what would explain water that stood deeper, or less deep, than that gives. */
import type { Job } from '../job/job';
import { rainOf } from '../job/job';
import type { TestOf } from '../job/kinds';
import { rainTable } from '../rain/intensityOfRain';
import { COARSE, peaksOf } from '../simulation/ranking';
import type { Failure } from '../simulation/failing';
import type { Wetness } from '../simulation/ground/soak';
import { depthOfRain, stormFrom, type Rainfall } from '../simulation/rain/rainfall';
import { routeOf } from '../plan/section';
import type { Plan } from '../verdict/planJob';

/** Rain is followed for so long at most, h; of a longer one both its mean is, and all of it within these hours. */
export const FOLLOWED = 6;
/** A depth read off a wet mark is good to this, m, and to this share of it. */
const MARK = 0.008;
const BY_EYE = 0.2;
/** How well a depth that stood is known, m. */
export const readTo = (depth: number): number => MARK + BY_EYE * depth;
/** Shares of a grate that leaves take beyond its usual, as tried. */
const SHARES = [0.4, 0.7, 0.9, 1] as const;

/** What was wrong on that day. */
export type RainCause = { kind: 'asPlanned' } | { kind: 'soaked' } | Failure;

export interface RainExplained {
  cause: RainCause;
  belief: number;
  /** Highest water over each place that was looked at, m. */
  peaks: readonly number[];
}

export interface RainTold {
  done: number;
  of: number;
  /** Highest water to be expected at each place, m, whichever way the rain fell within its hours. */
  expected: readonly { low: number; high: number }[];
  asPlanned: boolean;
  /** Most believed first; of those tried so far. */
  ranked: readonly RainExplained[];
}

type Seen = TestOf<'rain'>;

/** The ways that so much rain may have fallen in so many hours: evenly, up and down again, and gathered about its middle as the job's own table has it. */
export function rainfallsOf(job: Job, { depth, hours }: Pick<Seen, 'depth' | 'hours'>): Rainfall[] {
  const length = Math.min(hours, FOLLOWED) * 3600;
  const mean = depth / (hours * 3600);
  const even = { durations: [60, length + 1], intensities: [mean, mean] };
  const table = rainOf(job)?.table ? rainTable(rainOf(job)!) : null;
  const gathered = table && stormFrom(table, length, 'middle');
  const share = gathered ? (mean * length) / depthOfRain(gathered) : 0;
  // Of a longer rain all may have come within the hours that are followed: what it does at most.
  const burst =
    hours > FOLLOWED ? { ...even, intensities: even.intensities.map((each) => (each * hours) / FOLLOWED) } : null;
  return [
    stormFrom(even, length, 'block'),
    ...(burst ? [stormFrom(burst, length, 'triangle')] : []),
    stormFrom(even, length, 'triangle'),
    ...(gathered ? [{ step: gathered.step, intensities: gathered.intensities.map((each) => each * share) }] : []),
  ];
}

/** What may be wrong with what was looked at: its grate, the pipes that its water goes down, the way out; and the ground all round. */
function causesFor(plan: Plan, { stood }: Seen): RainCause[] {
  const grates = stood.flatMap(({ at }) =>
    plan.inlets[at]?.kind === 'basin' ? SHARES.map((share): Failure => ({ kind: 'blocked', id: at, share })) : [],
  );
  const runs = new Set(stood.flatMap(({ at }) => routeOf(plan, at).map(({ id }) => id)));
  return [
    ...grates,
    ...[...runs].flatMap((id): Failure[] => [
      { kind: 'stopped', id, share: 0.6 },
      { kind: 'stopped', id, share: 0.95 },
    ]),
    { kind: 'soaked' },
  ];
}

/** By builders' word: grates first, then pipes. */
const PRIOR: Record<string, number> = { asPlanned: 0.4, blocked: 0.3, stopped: 0.2, soaked: 0.1 };

/** Tries the rain of a visit, told after each storm. What was looked at and is no inlet of the plan is left out. */
export function* triedRain(job: Job, plan: Plan, seen: Seen): Generator<RainTold> {
  const places = seen.stood.map(({ at }) => at);
  const peaks = (rain: Rainfall, failing: readonly Failure[], wetness: Wetness): number[] => {
    const { landings } = peaksOf(job, plan, { rain, failing, wetness, cells: COARSE });
    return places.map((id) => landings.find((each) => each.id === id)?.peak ?? 0);
  };
  const falls = rainfallsOf(job, seen);
  const causes = causesFor(plan, seen);
  const of = falls.length + causes.length;
  const sound: number[][] = [];
  const told = (ranked: readonly RainExplained[]): RainTold => {
    const expected = places.map((_, k) => {
      const found = sound.map((each) => each[k]!);
      return { low: Math.min(...found), high: Math.max(...found) };
    });
    const asPlanned = seen.stood.every(({ depth }, k) => {
      const { low, high } = expected[k]!;
      return depth >= low - readTo(low) && depth <= high + readTo(high);
    });
    return { done: sound.length + Math.max(0, ranked.length - 1), of, expected, asPlanned, ranked };
  };
  for (const rain of falls) {
    sound.push(peaks(rain, [], 'ordinary'));
    yield told([]);
  }
  // How the rain fell is not known: what is likeliest stands for all, and their spread is a reading's.
  const spread = places.map(
    (_, k) => (Math.max(...sound.map((each) => each[k]!)) - Math.min(...sound.map((each) => each[k]!))) / 3,
  );
  const rain = falls.at(-1)!;
  const tried: { cause: RainCause; peaks: number[]; weight: number }[] = [];
  const weigh = (cause: RainCause, found: number[], each: number): void => {
    const squares = seen.stood.reduce(
      (sum, { depth }, k) => sum + ((depth - found[k]!) / Math.hypot(readTo(depth), spread[k]!)) ** 2,
      0,
    );
    tried.push({ cause, peaks: found, weight: each * Math.exp(-squares / 2) + 1e-12 });
  };
  weigh({ kind: 'asPlanned' }, sound.at(-1)!, PRIOR.asPlanned!);
  for (const cause of causes) {
    const failing = cause.kind === 'soaked' || cause.kind === 'asPlanned' ? [] : [cause];
    const alike = causes.filter(({ kind }) => kind === cause.kind).length;
    weigh(cause, peaks(rain, failing, cause.kind === 'soaked' ? 'soaked' : 'ordinary'), PRIOR[cause.kind]! / alike);
    const whole = tried.reduce((sum, { weight }) => sum + weight, 0);
    yield told(
      tried.map(({ weight, ...each }) => ({ ...each, belief: weight / whole })).sort((a, b) => b.belief - a.belief),
    );
  }
}
