/** The customer's sheet: what to do, what we do, and when, in plain words. */
import { headOf, nameOf, type Job } from '../job/job';
import { standingNotes } from '../words/notes';
import type { Plan } from '../verdict/planJob';
import { careAbout, careOf } from './care';
import { daysOf, duesOf } from './dates';
import { keepingOf, warrantyEnds } from './season';
import type { CareTask } from './task';
import { plusDays } from '../clearances/workingDays';

export interface CareSheet {
  title: string;
  /** What who lives there does, and what the company comes for: each with when. */
  yours: readonly string[];
  ours: readonly string[];
  afterStorms: readonly string[];
  warranty: readonly string[];
  agreed: readonly string[];
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** When, in words: in April and November; on a day. */
function whenWords({ when }: CareTask): string {
  if (when.type === 'once') return `on ${dayWords(when.on)}`;
  if (when.type === 'every') return `each year, from ${dayWords(when.from)}`;
  const named = when.months.toSorted((a, b) => a - b).map((month) => MONTHS[month - 1]!);
  return `in ${named.length > 1 ? `${named.slice(0, -1).join(', ')} and ${named.at(-1)!}` : named[0]!}`;
}

/** 15 April 2027. */
export function dayWords(day: string): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return `${date} ${MONTHS[month - 1]!} ${year}`;
}

/** `today`: the day from which it counts. */
export function careSheet(job: Job, plan: Plan): CareSheet {
  const tasks = careOf(job, plan);
  const line = (task: CareTask): string => {
    const about = careAbout(job, task);
    return `${task.plain}, ${whenWords(task)}${about === '' ? '' : ` (${about})`}.`;
  };
  const { warranty, contract } = keepingOf(job);
  const ends = warrantyEnds(job);
  const own = tasks.filter(({ key }) => key !== 'warranty');
  return {
    title: `Looking after it: ${headOf(job).name}`,
    yours: own.filter(({ customer }) => customer).map(line),
    ours: own.filter(({ customer }) => !customer).map(line),
    afterStorms: tasks.filter(({ afterStorms }) => afterStorms).map(({ plain }) => `${plain}.`),
    warranty: [
      ...(ends === null ? [] : [`We stand for what we laid until ${dayWords(ends)}.`]),
      ...(warranty?.not === undefined ? [] : [`Not covered: ${warranty.not}`]),
      ...(contract === undefined ? [] : [`Care by contract, from ${dayWords(contract.from)}.`]),
    ],
    agreed: standingNotes(job)
      .filter(({ sort }) => sort === 'promise' || sort === 'warned')
      .map(({ sort, text, on, of }) => {
        const about = of !== undefined && job.elements.get(of) ? ` at ${nameOf(job, of)}` : '';
        return `${dayWords(on)}, ${sort === 'promise' ? 'promised' : 'warned'}${about}: ${text}`;
      }),
  };
}

export interface CareDay {
  on: string;
  task: CareTask;
}

/** Every day of care from a day on, for so many days, in turn: what is late stands on the first of them. */
export function careDays(job: Job, plan: Plan, from: string, days: number): CareDay[] {
  const until = plusDays(from, days);
  return duesOf(job, plan, from)
    .flatMap(({ task, on }) => {
      const first = on < from ? from : on;
      if (first > until) return [];
      return [{ on: first, task }, ...daysOf(task, first, until).map((day) => ({ on: day, task }))];
    })
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}
