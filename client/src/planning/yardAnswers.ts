/** What is asked of a yard's ground, and how each is answered: on the page, or in the worker where a job is planned there. */
import {
  cutAlong,
  diagnose,
  elementOf,
  groundOf,
  groundOver,
  groundPicture,
  groundSays,
  ofKind,
  situated,
  suggestedChange,
  waysOut,
  yardWater,
  type Diagnosis,
  type Job,
  type Place,
  type Suggested,
  type Suggestion,
} from '@katabasis/core';

/** Why a place is wet, and what could be done and is not there yet; `made` is null of what is done on site. */
export interface Why {
  found: Diagnosis | null;
  offered: readonly { suggestion: Suggestion; made: Suggested | null }[];
}

/** Near enough to be the basin that was suggested, m. */
const THERE = 0.5;

function why(job: Job, id: string): Why {
  const wet = elementOf(job, 'wetSpot', id);
  const found = wet ? diagnose(job, wet) : null;
  const standing = ofKind(job, 'basin');
  const stands = (suggestion: Suggestion): boolean =>
    suggestion.type === 'basin' &&
    standing.some(
      ({ place }) =>
        place && Math.hypot(suggestion.place.east - place.east, suggestion.place.north - place.north) < THERE,
    );
  const open = (found?.suggestions ?? []).filter((each) => !stands(each));
  return { found, offered: open.map((suggestion) => ({ suggestion, made: suggestedChange(job, suggestion) })) };
}

/** Ground over each of some runs, as long as the plan has them. */
function over(job: Job, runs: readonly string[]): ReturnType<typeof groundOver>[] {
  const here = situated(job);
  return runs.map((id) => {
    const run = elementOf(here, 'run', id);
    return run ? groundOver(here, run) : [];
  });
}

export const YARD_ANSWERS = {
  picture: (job: Job, chosen: string | null) => groundPicture(job, chosen),
  says: (job: Job, _: null) => groundSays(job),
  waysOut: (job: Job, _: null) => waysOut(job),
  why: (job: Job, wet: string) => why(job, wet),
  cut: (job: Job, way: readonly Place[]) => cutAlong(job, way),
  over: (job: Job, runs: readonly string[]) => over(job, runs),
};

export type YardQuestion = keyof typeof YARD_ANSWERS;
/** What a question is about; null where it is about the whole yard. */
export type Asked<Q extends YardQuestion> = Parameters<(typeof YARD_ANSWERS)[Q]>[1];
export type Answered<Q extends YardQuestion> = ReturnType<(typeof YARD_ANSWERS)[Q]>;

export const answerOf = <Q extends YardQuestion>(job: Job, question: Q, about: Asked<Q>): Answered<Q> =>
  (YARD_ANSWERS[question] as (job: Job, about: Asked<Q>) => Answered<Q>)(job, about);

/** What every answer rests on, the slow parts of it one by one. */
export const GROUND_STEPS: readonly ((job: Job) => unknown)[] = [groundOf, yardWater];
