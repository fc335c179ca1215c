/** What of a job holds water until it has soaked away, as its drain-down is measured. */
import { elementOf, headOf, type Job } from '../job/job';
import type { Discharge } from '../job/kinds';
import type { Solution } from '../plan/solution';
import { conductivityOf } from '../works/measures';
import { storeOf } from '../works/store';
import type { Pit } from './drainDown';

export interface Draining {
  pit: Pit & { depth: number; cover: number };
  discharge: Discharge;
  /** What the plan counts on, m/s: half of the soil's. */
  conductivity: number;
}

/** Of a dry well, a leaching pit or a rain garden; null of anything else. */
export function drainingOf(job: Job, plan: Pick<Solution, 'works'>, id: string): Draining | null {
  const discharge = elementOf(job, 'discharge', id);
  const store = discharge && storeOf(discharge);
  if (!discharge || !store) return null;
  const planned = plan.works[id];
  return {
    discharge,
    pit: {
      area: store.area,
      perimeter: store.perimeter ?? 4 * Math.sqrt(store.area),
      voids: store.voids,
      depth: store.depth,
      cover: store.cover,
    },
    conductivity: planned?.kind === 'store' ? planned.conductivity : conductivityOf(store, headOf(job).soil) / 2,
  };
}
