/** The swale that a way out lets out into. */
import { letsInto } from '../../catalogue/outfalls';
import { elementOf, type Job } from '../../job/job';
import type { Discharge, Swale } from '../../job/kinds';
import { shareOn } from '../../plan/works';
import type { Plan } from '../../verdict/planJob';
import { waterAt } from '../../works/swale';

/** That swale, and the level, m, of water so deep in it there; null of one that does not. */
export function swaleOf(
  job: Job,
  { works }: Plan,
  discharge: Discharge,
): { swale: Swale; levelAt: (depth: number) => number } | null {
  const swale = elementOf(job, 'swale', letsInto(discharge) ?? '');
  const planned = swale && works[swale.id];
  if (!swale || planned?.kind !== 'swale') return null;
  const share = shareOn(swale, planned, discharge);
  return { swale, levelAt: (depth) => waterAt({ ...planned, depth }, share) };
}
