/** An answer about a yard's ground: at once where the job is planned on the page, else from the worker, with how far it is. */
import type { Job } from '@katabasis/core';
import { useMemo, useState } from 'react';
import { askYard, isPlannedHere, yardHere } from './planner';
import { useWorked } from './useWorked';
import { GROUND_STEPS, type Answered, type Asked, type YardQuestion } from './yardAnswers';

export interface Yard<A> {
  /** Undefined until there is one; of a state before while the next is worked out. */
  answer: A | undefined;
  /** Whether it is of another state than was asked for. */
  behind: boolean;
  /** Step under way, from 1, of how many; null while nothing is. */
  step: number | null;
  steps: number;
  /** Calls it off; asked anew it begins again. */
  stop: () => void;
  again: () => void;
}

/** How far the working out is, or what it came to. */
type Told<A> = { step: number } | { answer: A };

export function useYard<Q extends YardQuestion>(job: Job, question: Q, about: Asked<Q>): Yard<Answered<Q>> {
  const here = isPlannedHere(job);
  /** The state that nobody waits for any more. */
  const [stopped, setStopped] = useState<Job | null>(null);
  const off = stopped === job;
  const atOnce = useMemo(
    () => (here ? { answer: yardHere(job, question, about) } : null),
    [here, job, question, about],
  );
  const told = useWorked<Told<Answered<Q>>>([here, off, job, question, about], async (signal, give) => {
    if (here || off) return;
    // Steps come by a way of their own, the last of them at times behind the answer.
    let there = false;
    const answer = await askYard(job, question, about, signal, (step) => there || give({ step: step + 1 }));
    there = true;
    give({ answer });
  });
  const fresh = told && 'answer' in told ? told : null;
  const [last, setLast] = useState<{ answer: Answered<Q> } | null>(null);
  // While another is worked out the last one stands.
  if (fresh && fresh !== last) setLast(fresh);
  return {
    answer: (atOnce ?? fresh ?? last)?.answer,
    behind: !atOnce && !fresh,
    step: told && 'step' in told ? told.step : null,
    steps: GROUND_STEPS.length + 1,
    stop: () => setStopped(job),
    again: () => setStopped(null),
  };
}
