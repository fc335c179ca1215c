/** What of a job the company's own figures are worked out from: kept beside its verdict, so that a thousand jobs are read without opening one. */
import type { LedgerEntry } from '../api/ledger';
import type { StepKind } from '../catalogue/paces';
import { keepingOf } from '../care/season';
import { headOf, ofKind, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { pricesOf } from '../price/book';
import { partLabel } from '../quantities/partLabel';
import { compared, outcomeOf, putRight, type Compared } from './compared';
import { traitsOf } from './traits';

/** Steps of one kind taken together. */
function stepsByKind({ steps }: Compared): LedgerEntry['steps'] {
  const all = new Map<StepKind, LedgerEntry['steps'][number]>();
  for (const { step, took } of steps) {
    if (took === null) continue;
    const { kind, usual, hours } = step;
    const sum = all.get(kind) ?? { kind, usual: 0, planned: 0, took: 0 };
    all.set(kind, { kind, usual: sum.usual + usual, planned: sum.planned + hours, took: sum.took + took });
  }
  return [...all.values()];
}

/** A job's line in the ledger; null where nothing was told of how it came out. */
export function ledgerEntry(job: Job, plan: Solution): LedgerEntry | null {
  const steps = ofKind(job, 'step').filter(({ took }) => took !== undefined);
  if (steps.length === 0 && ofKind(job, 'outcome').length === 0) return null;
  const came = compared(job, plan);
  const { settledOn } = outcomeOf(job);
  const lastDone = steps.map(({ doneOn }) => doneOn ?? '').reduce((last, each) => (each > last ? each : last), '');
  const on =
    settledOn ?? keepingOf(job).laidOn ?? (lastDone !== '' ? lastDone : (headOf(job).startsOn ?? headOf(job).date));
  const { units } = headOf(job);
  return {
    // Without any day it counts in no year, and among all figures.
    on: on ?? '',
    settled: settledOn !== undefined && came.asked.came !== null,
    currency: came.price.currency,
    units,
    steps: stepsByKind(came),
    asked: came.asked,
    costs: came.costs.map(({ of, planned, came: cost, by }) => ({ of, planned, came: cost, told: by === 'told' })),
    overhead: pricesOf(job).overhead,
    work: Object.fromEntries(came.price.lines.flatMap(({ work, key, quantity }) => (work ? [[key, quantity]] : []))),
    loads: came.loads.came === null ? null : { planned: came.loads.planned, came: came.loads.came },
    machines: came.machines.flatMap(({ machine, usual, ran }) => (ran === null ? [] : [{ machine, usual, ran }])),
    parts: came.parts.flatMap(({ part, used, paid }) =>
      used === null
        ? []
        : [
            {
              key: part.key,
              label: partLabel(part.item, units),
              unit: part.unit,
              planned: part.net,
              used,
              rate: paid === null ? null : paid / used,
            },
          ],
    ),
    traits: traitsOf(job, came),
    complaints: putRight(job),
  };
}
