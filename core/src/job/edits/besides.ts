/** Runs and drains in whose trench a run may lie. */
import { ofKind, type Job } from '../job';
import { isNew, type Drain, type Run } from '../kinds';
import { wayOfRun } from '../places';
import { footOnWay, type Place } from '../../site/place';

/** On the plan no further off than this, m. */
const NEAR = 1.5;
/** Where nothing is on the plan so many are offered. */
const MOST = 8;

const middle = (way: readonly Place[]): Place => way[Math.floor(way.length / 2)]!;

const wayOf = (job: Job, host: Run | Drain): readonly Place[] | null =>
  host.kind === 'run' ? wayOfRun(job, host) : (host.way ?? null);

/** New drains, and new runs with a trench of their own, that one may share: near by on the plan, or where it is on none the first few. */
export function besides(job: Job, run: Run): (Run | Drain)[] {
  if (!isNew(run)) return [];
  const way = wayOfRun(job, run);
  const lent = new Set(ofKind(job, 'run').flatMap(({ beside }) => beside ?? []));
  if (lent.has(run.id)) return [];
  const others = [
    ...ofKind(job, 'drain').filter(({ here }) => !here),
    ...ofKind(job, 'run').filter((other) => other.id !== run.id && isNew(other) && other.beside === undefined),
  ];
  const near = way
    ? others.filter((other) => {
        const theirs = wayOf(job, other);
        return (
          theirs !== null &&
          [middle(way), middle(theirs)].some((at, k) => footOnWay(k === 0 ? theirs : way, at)!.distance <= NEAR)
        );
      })
    : others;
  const chosen = others.filter(({ id }) => id === run.beside);
  return [...new Set([...chosen, ...near.slice(0, MOST)])];
}
