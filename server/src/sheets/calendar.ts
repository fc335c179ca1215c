/** The days of the work as a calendar file: each step an event of every day that it falls on. */
import {
  daysBetween,
  headOf,
  heldWords,
  needsOf,
  planJob,
  scheduleOf,
  standings,
  stepLabel,
  stepsOf,
  takeOff,
  truckLoads,
  loadWords,
  machineWords,
  type Job,
} from '@katabasis/core';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { forecast } from '../stand-ins/weatherOffice';
import { oneLine } from './plainText';

/** Work begins at this hour; a day's steps follow one another from there. */
const BEGINS = 7;

/** `made`: when it is made, as an ISO instant: days before it are not laid out. */
export function calendarFile(job: Job, made: string): string {
  const today = made.slice(0, 10);
  const plan = planJob(job);
  const taken = takeOff(job, plan);
  const needs = needsOf(job, taken);
  const inspected = needs.some(({ kind }) => kind === 'inspection');
  const stands = standings(job, needs, today);
  const all = stepsOf(job, taken, inspected);
  const { steps } = scheduleOf(job, all, stands, forecast(today), today);
  const loads = truckLoads(job, plan, taken, all);
  const head = headOf(job);
  const name = oneLine(head.name);
  const calendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Katabasis', product: 'Katabasis' },
  });
  const used = new Map<string, number>();
  for (const scheduled of steps) {
    const { step, days } = scheduled;
    const parts = (loads.get(step.key) ?? []).map((load) => {
      const { label, amount } = loadWords(load, head.units);
      return `${amount} ${label}`;
    });
    const carries = [...machineWords([step]), ...parts];
    for (const { day, hours } of days) {
      const from = BEGINS + (used.get(day) ?? 0);
      used.set(day, (used.get(day) ?? 0) + hours);
      // In the crew's own time, wherever that is: no zone is said.
      const at = (hour: number): Date => {
        const date = new Date(`${day}T00:00:00Z`);
        date.setUTCMinutes(Math.round(hour * 60));
        return date;
      };
      const lines = [
        `Crew of ${step.crew}.`,
        ...(carries.length === 0 ? [] : [`On the truck: ${carries.join('; ')}.`]),
        ...heldWords(scheduled),
      ];
      calendar.createEvent({
        id: `${job.id}-${step.key.replaceAll(' ', '-')}-${daysBetween(days[0]!.day, day)}`,
        summary: oneLine(`${stepLabel(job, step)}: ${name}`),
        start: at(from),
        end: at(from + hours),
        floating: true,
        stamp: made,
        description: lines.map(oneLine).join('\n'),
        ...(head.site === undefined ? {} : { location: oneLine(head.site) }),
      });
    }
  }
  return calendar.toString();
}
