/** All jobs that are looked after, at once: what each is due for, and in what order one drives. */
import { headOf, ofKind, type Job } from '../job/job';
import type { Plan } from '../verdict/planJob';
import { duesOf } from './dates';
import { keepingOf } from './season';

/** What is known of a kept job without opening it: what the company comes for, soonest first; open complaints; tests that came out off. */
export interface KeptJob {
  due: readonly { on: string; title: string }[];
  complaints: readonly { on: string; saw: string }[];
  off: readonly { on: string; of: string }[];
  /** The day of its last visit. */
  last: string | null;
}

/** Of each a few: the list says how things stand, the job says all. */
const TOLD = 4;
const LONG = 120;

/**
 * What a job that was dug, or is looked after, has due; null of any other. Under a care contract the company comes for all of it, else
 * for what who lives there cannot do.
 */
export function keptOf(job: Job, plan: Plan, today: string): KeptJob | null {
  const keeping = keepingOf(job);
  const visits = ofKind(job, 'visit').toSorted((a, b) => (a.at < b.at ? 1 : -1));
  const complaints = ofKind(job, 'complaint').filter(({ closedOn }) => closedOn === undefined);
  const isKept = keeping.laidOn !== undefined || headOf(job).state === 'done' || complaints.length > 0;
  if (!isKept) return null;
  const ours = duesOf(job, plan, today).filter(({ task }) => !task.customer || keeping.contract !== undefined);
  const mended = visits.find((each) => each.mended)?.at ?? '';
  const latest = new Map<string, (typeof visits)[number]>();
  for (const visit of visits) {
    const of = visit.said?.of;
    if (of !== undefined && !latest.has(of)) latest.set(of, visit);
  }
  const off = [...latest.values()].filter(({ said, at }) => said!.asPlanned === false && at > mended);
  return {
    due: ours.slice(0, TOLD).map(({ on, task }) => ({ on, title: task.title })),
    complaints: complaints.slice(0, TOLD).map(({ on, saw }) => ({ on, saw: saw.slice(0, LONG) })),
    off: off.slice(0, TOLD).map(({ at, said }) => ({ on: at.slice(0, 10), of: said!.of.slice(0, LONG) })),
    last: visits[0]?.at.slice(0, 10) ?? null,
  };
}

export interface RoundJob {
  id: string;
  name: string;
  site?: string | undefined;
  kept: KeptJob;
}

/** A stop of a round: a job with the first day on which somebody is wanted there. */
export interface Stop extends RoundJob {
  on: string;
}

/** The town of an address: what stands after its last comma; the address itself without one. */
export const townOf = (site: string | undefined): string => (site ?? '').split(',').at(-1)!.trim();

/**
 * Jobs at which somebody is wanted by a day, in the order to drive: those with a complaint or a test that is off first, then town by town,
 * the town with the longest overdue first, and in a town by its streets.
 */
export function roundOf(jobs: readonly RoundJob[], until: string): Stop[] {
  const soonest = new Map<string, string>();
  // Worked out once each: two thousand jobs are compared some twenty thousand times.
  const keyed = jobs.flatMap((job) => {
    const { due, complaints, off } = job.kept;
    const on = [...complaints, ...off, ...due].reduce<string | null>(
      (first, each) => (first === null || each.on < first ? each.on : first),
      null,
    );
    if (on === null || on > until) return [];
    const town = townOf(job.site);
    const before = soonest.get(town);
    if (before === undefined || on < before) soonest.set(town, on);
    return [{ stop: { ...job, on }, town, calm: complaints.length + off.length > 0 ? '0' : '1' }];
  });
  return keyed
    .map(({ stop, town, calm }) => ({
      stop,
      key: [calm, soonest.get(town)!, town, stop.site ?? '', stop.on].join('\n'),
    }))
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0))
    .map(({ stop }) => stop);
}
