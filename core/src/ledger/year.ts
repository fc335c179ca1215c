/** A year of the company on one page: what was asked, what it cost, what was left, and by which jobs. */
import type { LedgerEntry, LedgerJob } from '../api/ledger';
import { COSTS, type CostOf } from '../job/kinds';
import { earnedOf, kindsOfJob, ownPaces, type KindOfJob, type OwnPaces } from './own';

export interface YearJob {
  id: string;
  name: string;
  on: string;
  asked: number;
  cost: number;
  earned: number;
}

export interface Year {
  year: string;
  currency: string;
  /** Settled jobs, the best first. */
  jobs: readonly YearJob[];
  asked: number;
  costs: readonly { of: CostOf; planned: number; came: number }[];
  /** The firm's own share, and what complaints cost it. */
  overhead: number;
  complaints: { count: number; cost: number };
  earned: number;
  lost: number;
  /** Of all jobs with hours told. */
  hours: { planned: number; took: number };
  paces: OwnPaces;
  kinds: readonly KindOfJob[];
  /** Jobs of that year whose bills are not all in. */
  open: number;
}

/** Years in which anything was done, the latest first. */
export const yearsOf = (jobs: readonly LedgerJob[]): string[] =>
  [...new Set(jobs.map(({ entry }) => entry.on.slice(0, 4)).filter((year) => year !== ''))].sort().reverse();

const costOf = ({ costs }: LedgerEntry): number => costs.reduce((sum, { came }) => sum + came, 0);

/** One year of jobs in one currency. */
export function yearOf(all: readonly LedgerJob[], year: string, currency: string): Year {
  const own = all.filter(({ entry }) => entry.currency === currency && entry.on.startsWith(year));
  const entries = own.map(({ entry }) => entry);
  const settled = own.filter(({ entry }) => earnedOf(entry) !== null);
  const sum = (of: (entry: LedgerEntry) => number, from = settled): number =>
    from.reduce((so, { entry }) => so + of(entry), 0);
  const jobs = settled
    .map(({ id, name, entry }) => ({
      id,
      name,
      on: entry.on,
      asked: entry.asked.came!,
      cost: costOf(entry),
      earned: Math.round(earnedOf(entry)!),
    }))
    .sort((a, b) => b.earned - a.earned);
  const steps = entries.flatMap((entry) => entry.steps);
  return {
    year,
    currency,
    jobs,
    asked: sum(({ asked }) => asked.came!),
    costs: COSTS.flatMap((of) => {
      const each = settled.flatMap(({ entry }) => entry.costs.filter((cost) => cost.of === of));
      return each.length === 0
        ? []
        : [
            {
              of,
              planned: each.reduce((so, { planned }) => so + planned, 0),
              came: each.reduce((so, { came }) => so + came, 0),
            },
          ];
    }),
    overhead: Math.round(sum((entry) => costOf(entry) * entry.overhead)),
    complaints: {
      count: sum(({ complaints }) => complaints.count, own),
      cost: sum(({ complaints }) => complaints.cost),
    },
    earned: jobs.reduce((so, { earned }) => so + earned, 0),
    lost: jobs.filter(({ earned }) => earned < 0).length,
    hours: {
      planned: steps.reduce((so, { planned }) => so + planned, 0),
      took: steps.reduce((so, { took }) => so + took, 0),
    },
    paces: ownPaces(entries),
    kinds: kindsOfJob(entries),
    open: own.length - settled.length,
  };
}
