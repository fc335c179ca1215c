/** What the parts of the walk over a job share. */
import type { Job } from '../../job/job';
import type { RunPlan } from '../../plan/solution';
import type { Plan } from '../../verdict/planJob';

/** What a level is good for on site, m. */
export const LAID = 0.001;
/** By how much two ways to march a water line may differ, m. */
export const WATER = 0.006;

export interface Walk {
  job: Job;
  plan: Plan;
  /** Runs from the way out up. */
  upward: RunPlan[];
  into: Map<string, RunPlan[]>;
  /** Water (m) at each landing, by this walk. */
  water: Map<string, number>;
  /** Water (m) over the ground at each basin that takes any, by this walk. */
  stands: Map<string, number>;
  wrong: string[];
}
