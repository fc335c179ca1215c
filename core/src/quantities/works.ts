/** What works that are not pipe take, as each says of itself. */
import { ofKind, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { WORK_KINDS, workKind } from '../works';
import type { Counting } from './counting';

export function countWorks(job: Job, { works }: Pick<Solution, 'works'>, counting: Counting): void {
  for (const kind of WORK_KINDS)
    for (const element of ofKind(job, kind)) {
      if ('here' in element && element.here) continue;
      for (const counted of workKind(kind)!.count(element, works[element.id]))
        if (counted === 'noSize') counting.missing.push({ id: element.id, why: 'noSize' });
        else counting.add(counted.item, element.id, counted.quantity);
    }
}
