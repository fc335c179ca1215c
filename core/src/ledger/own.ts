/**
 * The company's own figures: paces, rates and what goes into the ground, each the median over its jobs with the range that it lies in. A pace
 * is hours against usual hours through the origin, its median over jobs the robust slope; nothing is taken over by itself.
 */
import { TRAITS, type LedgerEntry, type LedgerJob, type Trait } from '../api/ledger';
import { STEP_KINDS, type StepKind } from '../catalogue/paces';
import { RENTABLE, type Rentable } from '../catalogue/diggers';
import type { PartUnit } from '../catalogue/items';
import { medianRange, type MedianRange } from '../numeric/medianRange';
import { WORK_RATES, type WorkRate } from '../price/book';

/** Jobs from which on a figure is offered: with fewer, one odd job is the figure. */
export const ENOUGH = 3;
/** Usual hours of a kind of step under which a job says nothing of its pace: a quarter of an hour is how it is written down. */
const LEAST_HOURS = 0.5;

/** What each entry gives, where it gives anything, and its median. */
const over = <E>(entries: readonly E[], of: (entry: E) => number | null): MedianRange | null =>
  medianRange(entries.flatMap((entry) => of(entry) ?? []));

const total = <T>(all: readonly T[], of: (each: T) => number): number => all.reduce((sum, each) => sum + of(each), 0);

/** Hours taken for each usual hour, over all kinds of step (null) or of one. */
export function paceFrom(entries: readonly LedgerEntry[], kind: StepKind | null): MedianRange | null {
  return over(entries, ({ steps }) => {
    const own = kind === null ? steps : steps.filter((each) => each.kind === kind);
    const usual = total(own, (each) => each.usual);
    return usual < LEAST_HOURS ? null : total(own, ({ took }) => took) / usual;
  });
}

export interface OwnPaces {
  all: MedianRange | null;
  kinds: readonly { kind: StepKind; pace: MedianRange }[];
}

export function ownPaces(entries: readonly LedgerEntry[]): OwnPaces {
  return {
    all: paceFrom(entries, null),
    kinds: STEP_KINDS.flatMap((kind) => {
      const pace = paceFrom(entries, kind);
      return pace ? [{ kind, pace }] : [];
    }),
  };
}

/** Hours that a machine ran for each usual hour. */
export function machinesFrom(entries: readonly LedgerEntry[]): { machine: Rentable; share: MedianRange }[] {
  return RENTABLE.flatMap((machine) => {
    const share = over(entries, ({ machines }) => {
      const own = machines.find((each) => each.machine === machine);
      return own && own.usual >= LEAST_HOURS ? own.ran / own.usual : null;
    });
    return share ? [{ machine, share }] : [];
  });
}

export interface OwnPart {
  key: string;
  label: string;
  unit: PartUnit;
  /** What went in for each that the plan counts, and what one SI unit of it cost, least units. */
  used: MedianRange | null;
  rate: MedianRange | null;
}

/** Parts by what was used and paid; those with most jobs behind them first. */
export function partsFrom(entries: readonly LedgerEntry[]): OwnPart[] {
  const byKey = new Map<string, { label: string; unit: PartUnit; used: number[]; rates: number[] }>();
  for (const { parts } of entries)
    for (const { key, label, unit, planned, used, rate } of parts) {
      const own = byKey.get(key) ?? { label, unit, used: [], rates: [] };
      byKey.set(key, own);
      if (planned > 0) own.used.push(used / planned);
      if (rate !== null) own.rates.push(rate);
    }
  return [...byKey]
    .map(([key, { label, unit, used, rates }]) => ({
      key,
      label,
      unit,
      used: medianRange(used),
      rate: medianRange(rates),
    }))
    .sort((a, b) => (b.rate?.count ?? 0) - (a.rate?.count ?? 0) || (a.label < b.label ? -1 : 1));
}

const WORK_KEY = /^work (.+)$/;
export type Rates = Readonly<Record<string, number>>;
const rateIn = (rates: Rates, key: string): number => rates[key] ?? WORK_RATES[WORK_KEY.exec(key)![1] as WorkRate] ?? 0;

/**
 * What work (or hauling) cost for each that it is priced at by some rates: so it is one where those are right, whatever rates each job was
 * quoted by. Only jobs count of which it was told.
 */
export function workFrom(entries: readonly LedgerEntry[], of: 'work' | 'hauling', rates: Rates): MedianRange | null {
  return over(entries, ({ costs, work }) => {
    const cost = costs.find((each) => each.of === of);
    if (!cost?.told) return null;
    const priced = total(
      Object.entries(work).filter(([key]) => (key === 'work haul') === (of === 'hauling')),
      ([key, quantity]) => quantity * rateIn(rates, key),
    );
    return priced > 0 ? cost.came / priced : null;
  });
}

/** Rates with the company's own figures put in: what parts cost, and work and hauling by so much more or less. Only figures that enough jobs stand behind. */
export function ratesWith(rates: Rates, entries: readonly LedgerEntry[]): Record<string, number> {
  const next: Record<string, number> = { ...rates };
  for (const { key, rate } of partsFrom(entries)) if (rate && rate.count >= ENOUGH) next[key] = rate.median;
  for (const cost of ['work', 'hauling'] as const) {
    const share = workFrom(entries, cost, rates);
    if (!share || share.count < ENOUGH) continue;
    for (const work of Object.keys(WORK_RATES) as WorkRate[])
      if ((work === 'haul') === (cost === 'hauling')) {
        const key = `work ${work}`;
        next[key] = rateIn(rates, key) * share.median;
      }
  }
  return next;
}

/** What a job earned, least units, after the firm's own costs and what was put right; null before all its bills are in. */
export function earnedOf({ settled, asked, costs, overhead, complaints }: LedgerEntry): number | null {
  if (!settled || asked.came === null) return null;
  return asked.came - total(costs, ({ came }) => came) * (1 + overhead) - complaints.cost;
}

/** The same as a share of what was asked; −1 of a job for which nothing was. */
export function marginOf(entry: LedgerEntry): number | null {
  const earned = earnedOf(entry);
  if (earned === null) return null;
  const asked = entry.asked.came!;
  return asked > 0 ? Math.max(-1, earned / asked) : -1;
}

export interface KindOfJob {
  trait: Trait;
  margin: MedianRange;
  /** Jobs that lost money. */
  lost: number;
  /** The median margin of all the others; null where there are none. */
  others: number | null;
  /** The middle job of them lost, or half of them did. */
  loses: boolean;
}

/** Kinds of job with what they earn, the worst first; of kinds that too few jobs stand behind nothing is said. */
export function kindsOfJob(entries: readonly LedgerEntry[]): KindOfJob[] {
  return TRAITS.flatMap((trait) => {
    const [own, others] = [true, false].map((has) =>
      entries.filter(({ traits }) => traits.includes(trait) === has),
    ) as [LedgerEntry[], LedgerEntry[]];
    const margin = over(own, marginOf);
    if (!margin || margin.count < ENOUGH) return [];
    const lost = own.filter((entry) => (marginOf(entry) ?? 0) < 0).length;
    const loses = margin.median < 0 || lost * 2 >= margin.count;
    return [{ trait, margin, lost, others: over(others, marginOf)?.median ?? null, loses }];
  }).sort((a, b) => a.margin.median - b.margin.median);
}

/** Jobs in one currency: amounts of two are never added up. The one with the most jobs, and which others there are. */
export function inOneCurrency(jobs: readonly LedgerJob[]): { currency: string; jobs: LedgerJob[]; others: string[] } {
  const counts = new Map<string, number>();
  for (const { entry } of jobs) counts.set(entry.currency, (counts.get(entry.currency) ?? 0) + 1);
  const all = [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([currency]) => currency);
  const currency = all[0] ?? 'USD';
  return { currency, jobs: jobs.filter(({ entry }) => entry.currency === currency), others: all.slice(1) };
}
