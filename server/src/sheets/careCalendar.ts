/** Care as a calendar file: a day of its own for each, with an alarm on the morning of that day and a week before. */
import { headOf, planJob, type Job } from '@katabasis/core';
import { careAbout, careDays } from '@katabasis/core/care';
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { oneLine } from './plainText';

/** Two years of it. */
const DAYS = 730;
const HOUR = 3600;

/** `whose`: all of it for the contractor, or what who lives there does, in plain words. `made`: when it is made, as an ISO instant. */
export function careCalendar(job: Job, made: string, whose: 'contractor' | 'customer'): string {
  const plan = planJob(job);
  const head = headOf(job);
  const name = oneLine(head.name);
  const calendar = ical({
    name: whose === 'customer' ? `Drainage: ${name}` : `Care: ${name}`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Katabasis', product: 'Katabasis' },
  });
  for (const { on, task } of careDays(job, plan, made.slice(0, 10), DAYS)) {
    if (whose === 'customer' && !task.customer) continue;
    const about = careAbout(job, task);
    const event = calendar.createEvent({
      id: `${job.id}-${task.key}-${on}${whose === 'customer' ? '-customer' : ''}`,
      summary: oneLine(whose === 'customer' ? task.plain : `${task.title}: ${name}`),
      start: new Date(`${on}T00:00:00Z`),
      allDay: true,
      stamp: made,
      description: [about === '' ? null : about, task.why]
        .filter((each) => each !== null)
        .map(oneLine)
        .join('\n'),
      ...(head.site === undefined ? {} : { location: oneLine(head.site) }),
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: -8 * HOUR });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 7 * 24 * HOUR });
  }
  return calendar.toString();
}
