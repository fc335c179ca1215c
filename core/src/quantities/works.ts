/** What works that are not pipe take, as each says of itself. */
import { ofKind, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { OUTFALLS } from '../catalogue/outfalls';
import { usualPump } from '../works/pumpBasin';
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

/** Trench of works, m: what a price is for besides the trenches of its lines. */
export function trenchedIn(job: Job, { works }: Pick<Solution, 'works'>): number {
  let length = 0;
  for (const kind of ['drain', 'drainField', 'stoneDrain'] as const)
    for (const { id, here } of ofKind(job, kind)) {
      const plan = works[id];
      if (!here && plan && 'length' in plan) length += plan.length;
    }
  for (const out of ofKind(job, 'discharge'))
    if (OUTFALLS[out.form].pumps && !out.here) length += (out.pump ?? usualPump(out.groundLevel)).mainLength;
  return length;
}
