/** Own figures as they are said. */
import type { StepKind } from '../catalogue/paces';
import type { CostOf } from '../job/kinds';
import type { MedianRange } from '../numeric/medianRange';
import type { KindOfJob } from './own';
import { TRAIT_LABELS } from './traits';

export const COST_LABELS: Record<CostOf, string> = {
  parts: 'Parts',
  work: 'Work',
  machines: 'Machines rented',
  hauling: 'Hauled away',
  others: 'Others',
};

export const STEP_LABELS: Record<StepKind, string> = {
  setOut: 'Come and set out',
  strip: 'Strip and saw',
  grade: 'Shape the ground',
  line: 'Dig and lay pipe',
  boxes: 'Set basins and ends',
  works: 'Build other works',
  test: 'Run water through',
  inspect: 'Have it inspected',
  backfill: 'Backfill',
  slab: 'Make paving good',
  turf: 'Turf or seed',
};

const jobs = (count: number): string => (count === 1 ? '1 job' : `${count} jobs`);

/** A factor to two places: 1.25. */
export const factor = (value: number): string => value.toFixed(2);

/** A share in whole percent: −8 %. */
export const percent = (share: number): string => `${Math.round(share * 100)}\u00a0%`.replace('-', '−');

/** Behind a figure: `1.10 to 1.40 in 94 of 100 cases, of 5 jobs`; of one job only that. */
export function behind({ low, high, holds, count }: MedianRange, say: (value: number) => string): string {
  if (count === 1) return 'Of 1 job';
  const sure = holds >= 0.995 ? '' : `, in ${Math.floor(holds * 100)} of 100 cases`;
  return `Between ${say(low)} and ${say(high)}${sure}; of ${jobs(count)}`;
}

/** What a kind of job earns: `3 of 4 lost money; the middle one lost 8 % of what was asked.` */
export function kindWords({ trait, margin, lost, others }: KindOfJob): { title: string; about: string } {
  const middle = margin.median;
  const earned = middle < 0 ? `lost ${percent(-middle)}` : `kept ${percent(middle)}`;
  const beside = others === null ? '' : `; of all others ${percent(others)}`;
  return {
    title: TRAIT_LABELS[trait],
    about: `${lost === 0 ? `None of ${jobs(margin.count)} lost money` : `${lost} of ${jobs(margin.count)} lost money`}; the middle one ${earned} of what was asked${beside}.`,
  };
}
