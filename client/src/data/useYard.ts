/** An answer about a yard's ground: at once where the job is planned on the page, else from the worker, with how far it is. */
import type { Job } from '@katabasis/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { askYard, isPlannedHere, yardHere } from './planner';
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

interface State<A> {
  job: Job;
  question: YardQuestion;
  about: unknown;
  answer: A;
}

export function useYard<Q extends YardQuestion>(job: Job, question: Q, about: Asked<Q>): Yard<Answered<Q>> {
  const here = isPlannedHere(job);
  const [state, setState] = useState<State<Answered<Q>> | null>(null);
  const [step, setStep] = useState<number | null>(null);
  const [turn, setTurn] = useState(0);
  const control = useRef<AbortController | null>(null);
  const current = state !== null && state.job === job && state.question === question && state.about === about;
  const atOnce = useMemo(
    () => (here ? { answer: yardHere(job, question, about) } : null),
    [here, job, question, about],
  );
  useEffect(() => {
    if (here) return undefined;
    const mine = new AbortController();
    control.current = mine;
    const tell = (next: number | null): void => {
      if (!mine.signal.aborted) setStep(next);
    };
    askYard(job, question, about, mine.signal, (done) => tell(done + 1)).then(
      (answer) => {
        if (!mine.signal.aborted) setState({ job, question, about, answer });
        tell(null);
      },
      () => tell(null),
    );
    return () => mine.abort();
  }, [here, turn, job, question, about]);
  const stop = useCallback((): void => {
    control.current?.abort();
    setStep(null);
  }, []);
  const again = useCallback((): void => setTurn((now) => now + 1), []);
  return {
    answer: (atOnce ?? state)?.answer,
    behind: atOnce === null && !current,
    step: here ? null : step,
    steps: GROUND_STEPS.length + 1,
    stop,
    again,
  };
}
