/** The working of a work's figure, by what the figure is called among its facts. */
import { elementOf, headOf, type Job } from '../../job/job';
import type { Solution } from '../../plan/solution';
import { culvertWorking, hasCulvertWorking, type CulvertQuantity } from './culvertWorking';
import { hasSwaleWorking, swaleWorking, type SwaleQuantity } from './swaleWorking';
import { inBoth, type Working } from './working';

const OF_SWALE: Record<string, SwaleQuantity> = {
  'Water in it': 'depth',
  'Carries to its bank': 'capacity',
  Speed: 'velocity',
  'Its lining holds': 'velocity',
  'Under its bank': 'freeboard',
};
const OF_CULVERT: Record<string, CulvertQuantity> = {
  'Water before it': 'headwater',
  'Ruled by': 'headwater',
  'Road over the water': 'freeboard',
};

/**
 * What makes the working of a figure, asked for where somebody opens it: facts are drawn at every move of a finger. Null where it needs none,
 * as one that somebody typed, or that no water has made.
 */
export function workWorking(
  job: Job,
  { works }: Pick<Solution, 'works'>,
  id: string,
  label: string,
): (() => Working) | null {
  const plan = works[id];
  const { units } = headOf(job);
  if (plan?.kind === 'swale') {
    const [swale, quantity] = [elementOf(job, 'swale', id), OF_SWALE[label]];
    if (!swale || !quantity || !hasSwaleWorking(plan, quantity)) return null;
    return () => inBoth(units, (each) => swaleWorking(swale, plan, quantity, each));
  }
  if (plan?.kind === 'culvert') {
    const [culvert, quantity] = [elementOf(job, 'culvert', id), OF_CULVERT[label]];
    if (!culvert || !quantity || !hasCulvertWorking(plan, quantity)) return null;
    return () => inBoth(units, (each) => culvertWorking(culvert, plan, quantity, each));
  }
  return null;
}
