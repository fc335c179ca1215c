/** What trenches and works meet that slows whoever digs, and what is set at the ends of pipe: figures that both the price and the days are worked out by. */
import { elementOf, type Job } from '../job/job';
import { handDigOf } from '../yard/crossings';
import type { Trench } from './earth';
import type { Dug } from './worksDug';

/** m dug by spade beside services, among roots light and heavy. */
function met(job: Job, dug: readonly Dug[]): Record<'handDig' | 'rootsLight' | 'rootsHeavy', number> {
  const found = { handDig: 0, rootsLight: 0, rootsHeavy: 0 };
  for (const { length, meets } of dug)
    for (const { id, kind, from, to, angle } of meets) {
      if (kind === 'service') {
        const service = elementOf(job, 'service', id)!;
        // Askew the way through its zone is longer, to no more than the run itself.
        found.handDig += Math.min(length, (2 * handDigOf(service)) / Math.max(0.1, Math.sin(angle ?? Math.PI / 2)));
      }
      const tree = kind === 'tree' ? elementOf(job, 'tree', id) : undefined;
      if (tree) found[tree.vigour === 'aggressive' ? 'rootsHeavy' : 'rootsLight'] += to - from;
    }
  return found;
}

/** m of some trenches or works that are dug by spade beside services. */
export const spadeIn = (job: Job, dug: readonly Dug[]): number => met(job, dug).handDig;

/** What is met, and besides by spade where no machine reaches. */
export function metBy(job: Job, dug: readonly Dug[], trenches: readonly Trench[]): ReturnType<typeof met> {
  const found = met(job, dug);
  return { ...found, handDig: found.handDig + trenches.reduce((sum, { byHand }) => sum + byHand, 0) };
}

/** What is set at the end of a pipe or on it. */
export const SET_ITEMS = [
  'box',
  'trap',
  'emitter',
  'kerbOutlet',
  'tapIn',
  'pumpBasin',
  'barrel',
  'downspoutAdapter',
  'culvertEnd',
  'headwall',
  'chamber',
] as const;
