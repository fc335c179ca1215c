/** What cures a storm, and what it costs: each change that a crew would try, rained on in the same storm. */
import type { Fix } from '../design/fixes';
import { changed } from '../job/change';
import { changeFaults } from '../job/faults';
import { headOf, nameOf, type Job } from '../job/job';
import { resolveSettings } from '../job/settings';
import { dearer } from '../price/words';
import { priceOf } from '../price/price';
import { takeOff } from '../quantities/takeOff';
import { peaksOf, rankOf, sillWords, type StormIn, type StormTold } from '../simulation';
import { showSmall, text } from '../units';
import { planJob, type Plan } from '../verdict/planJob';
import { candidatesFor } from './candidates';

/** Water lower by less than so is not lower, m. */
const LOWER = 0.003;
/** Places that are worked on, and water over one that is worth it, m. */
const PLACES = 2;
const WORTH = 0.01;
/** Water this near to a sill is too near, m: half an inch. */
const CLOSE = 0.0127;
/** Most that are tried. */
const MOST = 24;

export interface Cure {
  fix: Fix;
  /** Whether nothing is left to cure: no sill is reached, and no inlet stands deeper than is allowed. */
  cures: boolean;
  /** What it adds to the price, least units of the currency. */
  adds: number;
  /** m that it gains at the nearest sill; where none is reached, over the inlet that stood deepest. */
  gains: number;
  sentence: string;
}

export interface CureTried {
  /** Those that help, the cheapest that cures first. */
  found: readonly Cure[];
  tried: number;
  of: number;
}

type Rank = ReturnType<typeof rankOf>;

const isCured = ({ margin, deepest }: Rank, ponding: number): boolean =>
  (margin === null || margin >= 0) && deepest <= ponding;

/** Where water comes near a sill it is that which counts, else what stands over inlets. */
function gainOf(before: Rank, after: Rank): number {
  if (before.margin === null || before.margin >= CLOSE) return before.deepest - after.deepest;
  return after.margin === null ? Infinity : after.margin - before.margin;
}

const bestFirst = (a: Cure, b: Cure): number =>
  a.cures !== b.cures ? (a.cures ? -1 : 1) : a.cures ? a.adds - b.adds : b.gains - a.gains;

function cureSentence(job: Job, after: Rank & { deepestAt: string | null }): string {
  const { units } = headOf(job);
  const small = (metres: number): string => text(showSmall(metres, units));
  const { margin, deepest, at, deepestAt } = after;
  const isFar = margin === null || margin >= CLOSE;
  if (isFar && (deepestAt === null || deepest < WORTH)) return 'nothing stands over an inlet';
  if (isFar) return `water stands ${small(deepest)} over ${nameOf(job, deepestAt!)}`;
  return margin < 0
    ? `water stands ${small(-margin)} over ${sillWords(job, at!)}`
    : `water stays ${small(margin)} below ${sillWords(job, at!)}`;
}

/**
 * Tries what may cure a storm, one after another, and tells after each what has been found. `told`: what the storm came to as the job is.
 * A change that gives no sound job, or a worse Stop than there was, is none.
 */
export function* curesOf(job: Job, plan: Plan, given: StormIn & { told: StormTold }): Generator<CureTried> {
  const { told, ...storm } = given;
  const before = rankOf(told);
  const { ponding } = resolveSettings(headOf(job).settings);
  const price = (each: Job, its: Plan): number => priceOf(each, takeOff(each, its)).price;
  const { currency } = priceOf(job, takeOff(job, plan));
  const now = price(job, plan);
  const at = [...told.landings]
    .filter(({ peak }) => peak >= WORTH)
    .sort((a, b) => b.peak - a.peak)
    .slice(0, PLACES)
    .map(({ id }) => id);
  const candidates = [...candidatesFor(job, plan, { at, failing: storm.failing })].slice(0, MOST);
  const stops = (each: Plan): number => each.snags.filter(({ severity }) => severity === 'stop').length;
  const found: Cure[] = [];
  for (const [k, fix] of candidates.entries()) {
    const after = changed(job, fix.change);
    if (changeFaults(job, after, fix.change).length === 0) {
      const planned = planJob(after, plan);
      const then = rankOf(peaksOf(after, planned, storm));
      const gains = gainOf(before, then);
      if (stops(planned) <= stops(plan) && gains >= LOWER) {
        const adds = price(after, planned) - now;
        const sentence = `${fix.label}: ${cureSentence(after, then)}, ${dearer(adds, currency) || 'at the same price'}.`;
        found.push({ fix, cures: isCured(then, ponding), adds, gains, sentence });
      }
    }
    yield { found: [...found].sort(bestFirst), tried: k + 1, of: candidates.length };
  }
  if (candidates.length === 0) yield { found: [], tried: 0, of: 0 };
}
