/** What is told of an opening: whether water comes to it, rain by rain. */
import { headOf, nameOf, type Job } from '../job/job';
import { isWithin, type DoorPlan } from '../openings/doors';
import type { Solution } from '../plan/solution';
import { showSmall, text } from '../units';

export interface DoorWords {
  /** `Design rain`, `100-year rain`. */
  when: string;
  says: string;
  tone?: 'stop';
}

function saysOf(job: Job, { left, by, toldBy, lacking }: DoorPlan): string {
  const { units } = headOf(job);
  if (left !== null) {
    const from = by === null ? 'the hollow before it' : nameOf(job, by);
    const far = text(showSmall(Math.abs(left), units));
    return left < 0
      ? `water from ${from} stands ${far} over its sill`
      : `water from ${from} stays ${far} below its sill`;
  }
  if (toldBy !== null) return `judged at ${nameOf(job, toldBy)}, which names its sill`;
  return lacking ? `not judged: ${nameOf(job, lacking.by)} may send water here` : 'no water comes here';
}

/** An opening in the design rain and in the rarer one; nothing before there is rain. */
export function doorWords(job: Job, { doors, openings, settings }: Solution, id: string): DoorWords[] {
  const of = (list: readonly DoorPlan[], when: string, margin: number): DoorWords[] =>
    list.flatMap((door) =>
      door.opening === id
        ? [
            {
              when,
              says: saysOf(job, door),
              ...(isWithin(door, margin) ? { tone: 'stop' as const } : {}),
            },
          ]
        : [],
    );
  return [
    ...of(doors, 'Design rain', settings.openingMargin),
    ...(openings ? of(openings.doors, `${openings.returnPeriod}-year rain`, 0) : []),
  ];
}
