/** Who works, for how long a day and how fast, where a job says nothing of it. */
import type { StepKind } from '../catalogue/paces';
import { headOf, type Job } from './job';

export interface Crew {
  /** People. */
  crew: number;
  /** Hours of a day. */
  hours: number;
  /** Own pace beside the usual one: 1.5 takes half as long again. */
  pace: number;
  /** Own paces of single kinds of step, in place of it. */
  paces: Readonly<Partial<Record<StepKind, number>>>;
}

const USUAL: Crew = { crew: 3, hours: 8, pace: 1, paces: {} };

export function crewOf(job: Job): Crew {
  const { crew, hours, pace, paces } = { ...USUAL, ...headOf(job).calendar };
  return { crew, hours, pace, paces };
}

/** The pace at which a crew does a kind of step. */
export const paceOf = ({ pace, paces }: Crew, kind: StepKind): number => paces[kind] ?? pace;
