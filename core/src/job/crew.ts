/** Who works, for how long a day and how fast, where a job says nothing of it. */
import { headOf, type Job } from './job';

export interface Crew {
  /** People. */
  crew: number;
  /** Hours of a day. */
  hours: number;
  /** Own pace beside the usual one: 1.5 takes half as long again. */
  pace: number;
}

const USUAL: Crew = { crew: 3, hours: 8, pace: 1 };

export function crewOf(job: Job): Crew {
  const { crew, hours, pace } = { ...USUAL, ...headOf(job).calendar };
  return { crew, hours, pace };
}
