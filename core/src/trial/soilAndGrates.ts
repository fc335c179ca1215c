/** Made-up truths of what no hose shows: soil of a pit that is slower than planned, and a grate that leaves have shut, each seen through a tape and an eye. */
import { handOf, type Hand } from '../numeric/dice';
import { ofKind } from '../job/job';
import { COARSE, peaksOf } from '../simulation/ranking';
import { planJob } from '../verdict/planJob';
import { fitPit, levelAfter, type Pit } from '../visits/drainDown';
import { rainfallsOf, readTo, triedRain, type RainTold } from '../visits/rainVisit';
import { seededJob } from './seeded';

/** Noise of a normal curve about 0, by Box and Muller. */
const noise = (hand: Hand, spread: number): number =>
  spread * Math.sqrt(-2 * Math.log(hand.between(0.0002, 0.9999))) * Math.cos(2 * Math.PI * hand.between(0, 1));

export interface PitsTrial {
  pits: number;
  /** Sound ones told as planned, slow ones told slow, and how often the soil lay in its nine-of-ten range. */
  sound: number;
  asPlanned: number;
  slow: number;
  toldSlow: number;
  within: number;
}

/** What tapes are off by, m: a sixteenth to a quarter of an inch. */
const TAPES = [0.0016, 0.0064] as const;

export function pitsTrial(count: number, from = 1): PitsTrial {
  const told: PitsTrial = { pits: 0, sound: 0, asPlanned: 0, slow: 0, toldSlow: 0, within: 0 };
  for (let seed = from; seed < from + count; seed++) {
    const hand = handOf(seed * 17 + 3);
    const side = hand.between(0.6, 2.5);
    const pit: Pit = { area: side * side, perimeter: 4 * side, voids: hand.chance(0.5) ? 0.4 : 0.95 };
    const planned = 10 ** hand.between(-6.3, -4);
    const isSlow = hand.chance(0.5);
    const truth = planned * (isSlow ? hand.between(0.1, 0.6) : hand.between(1, 1.6));
    const start = hand.between(0.4, 1);
    const tape = TAPES[0] * (TAPES[1] / TAPES[0]) ** hand.between(0, 1);
    // Read until it is two thirds down, or a day has gone.
    const whole = Math.min(86_400, ((pit.voids * pit.area) / (truth * pit.perimeter)) * 0.5);
    const readings = Array.from({ length: 5 }, (_, k) => {
      const time = (whole * k) / 4;
      return { time, depth: Math.max(0, levelAfter(pit, truth, start, time) + noise(hand, tape)) };
    });
    const fit = fitPit(pit, readings);
    told.pits++;
    if (isSlow) told.slow++;
    else told.sound++;
    if ('sentence' in fit) continue;
    const asPlanned = fit.high >= planned;
    if (isSlow && !asPlanned) told.toldSlow++;
    if (!isSlow && asPlanned) told.asPlanned++;
    if (fit.low <= truth && truth <= fit.high) told.within++;
  }
  return told;
}

export interface GratesTrial {
  /** Grates that were shut so far that it showed, and those of which that was first, or among the first two causes. */
  shut: number;
  first: number;
  firstTwo: number;
  /** Rains with nothing wrong, and those told as planned. */
  sound: number;
  asPlanned: number;
}

/** The last that is told of a rain. */
function allTold(told: Iterable<RainTold>): RainTold {
  let last: RainTold | null = null;
  for (const each of told) last = each;
  return last!;
}

/** Rain on seeded jobs: it falls in one of the ways that it may have; a grate is shut by half to all of it. */
export function gratesTrial(count: number, from = 1): GratesTrial {
  const told: GratesTrial = { shut: 0, first: 0, firstTwo: 0, sound: 0, asPlanned: 0 };
  for (let seed = from; told.shut < count && seed < from + 30 * count; seed++) {
    const hand = handOf(seed * 13 + 5);
    const job = seededJob(seed, 'calm');
    const plan = planJob(job);
    const basins = ofKind(job, 'basin').filter(({ id }) => plan.inlets[id]?.kind === 'basin');
    const basin = basins[0];
    if (!basin) continue;
    const seen = { type: 'rain' as const, depth: hand.between(0.02, 0.06), hours: hand.between(0.5, 2) };
    const rain = hand.pick(rainfallsOf(job, seen));
    const depths = (share: number): number[] => {
      const failing = share > 0 ? [{ kind: 'blocked' as const, id: basin.id, share }] : [];
      const { landings } = peaksOf(job, plan, { rain, failing, wetness: 'ordinary', cells: COARSE });
      return basins.map(({ id }) => {
        const peak = landings.find((each) => each.id === id)?.peak ?? 0;
        return Math.max(0, peak + noise(hand, readTo(peak) / 2));
      });
    };
    const stoodOf = (found: readonly number[]) => basins.map(({ id }, k) => ({ at: id, depth: found[k]! }));
    const sound = depths(0);
    const shut = depths(hand.between(0.5, 1));
    told.sound++;
    // Told after its first storms; what would explain it is not asked for.
    const judged = triedRain(job, plan, { ...seen, stood: stoodOf(sound) });
    let last = judged.next().value as RainTold;
    while (last.ranked.length === 0 && last.done < rainfallsOf(job, seen).length)
      last = judged.next().value as RainTold;
    if (last.asPlanned) told.asPlanned++;
    const after = allTold(triedRain(job, plan, { ...seen, stood: stoodOf(shut) }));
    if (after.asPlanned) continue;
    told.shut++;
    const causes = [
      ...new Set(
        after.ranked.map(({ cause }) => (cause.kind === 'blocked' && cause.id !== basin.id ? 'another' : cause.kind)),
      ),
    ].filter((kind) => kind !== 'asPlanned');
    if (causes[0] === 'blocked') told.first++;
    if (causes.slice(0, 2).includes('blocked')) told.firstTwo++;
  }
  return told;
}
