/** What is said of a visit, and of a plan what that asks for. */
import type { Solution } from '../plan/solution';

export interface VisitSaid {
  /** The thing that it is of, as it is called. */
  of: string;
  /** Null where nothing is judged: a look, a test that still runs, one of what the plan says nothing of. */
  asPlanned: boolean | null;
  /** What the plan gives for the same; empty where it gives nothing. */
  expects: string;
  sentence: string;
  /** What is to be expected, in the test's own unit: s until it shows, m/s of soil. */
  low?: number;
  high?: number;
}

export type Told = Pick<Solution, 'runs' | 'inlets' | 'settings' | 'landings' | 'works'>;
