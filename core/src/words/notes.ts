/** What is written down about a job, as it is told and to whom. */
import { nameOf, ofKind, type Job } from '../job/job';
import type { Note, NoteSort } from '../job/kinds';

export const NOTE_LABELS: Record<NoteSort, string> = {
  seen: 'Seen here',
  asks: 'A question',
  wish: 'A wish',
  promise: 'Promised',
  extra: 'Extra, agreed',
  byOthers: 'Done by others',
  changed: 'Why it changed',
  warned: 'Warned of',
};

/** What a crew must know in the yard. */
const FOR_CREW = new Set<NoteSort>(['seen', 'asks', 'promise', 'byOthers']);

/** What stands: nothing that was taken back. */
export const standingNotes = (job: Job): Note[] => ofKind(job, 'note').filter(({ back }) => back === undefined);

/** Notes about a thing, or with null about the whole job; the last written first. */
export const notesOn = (job: Job, id: string | null): Note[] =>
  ofKind(job, 'note')
    .filter(({ of }) => (of ?? null) === id)
    .sort((a, b) => (a.on === b.on ? 0 : a.on < b.on ? 1 : -1));

/** Answers to a question, the first written first. */
export const answersTo = (job: Job, { id }: Note): Note[] =>
  ofKind(job, 'note')
    .filter(({ of }) => of === id)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));

/** Questions that nobody is done with. */
export const openQuestions = (job: Job): Note[] =>
  standingNotes(job).filter(({ sort, done }) => sort === 'asks' && done === undefined);

/** A note with what it is about, where that is still there. */
export function noteWords(job: Job, { sort, text, of, back }: Note): string {
  const on = of === undefined ? undefined : job.elements.get(of);
  const about = on ? ` at ${nameOf(job, on.id)}` : '';
  const label = on?.kind === 'note' ? `Answer to “${on.text}”` : `${NOTE_LABELS[sort]}${about}`;
  return `${label}: ${text}${back === undefined ? '' : ` (taken back on ${back})`}`;
}

/** For the crew's papers; none of what was said of money or between the customer and the office. */
export const crewNotes = (job: Job): string[] =>
  standingNotes(job)
    .filter(({ sort, done }) => FOR_CREW.has(sort) && done === undefined)
    .map((note) => noteWords(job, note));
