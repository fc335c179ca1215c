import { z } from 'zod';
import { day, idSchema, name } from '../fields';
import { kind } from '../kind';

/** What a note is: something seen, a question, a wish, a promise, an extra agreed on the way with its price, work that somebody else does, why the plan changed, or a warning that was given. */
export const NOTE_SORTS = ['seen', 'asks', 'wish', 'promise', 'extra', 'byOthers', 'changed', 'warned'] as const;
export type NoteSort = (typeof NOTE_SORTS)[number];

/** What was agreed or said between people: never altered later, only added to. */
export const FIXED_SORTS: readonly NoteSort[] = ['wish', 'promise', 'extra', 'warned'];

const schema = z.strictObject({
  id: idSchema,
  kind: z.literal('note'),
  sort: z.enum(NOTE_SORTS),
  /** What it is about, by id; the whole job when absent. About another note it is an answer to it. */
  of: idSchema.optional(),
  text: z.string().trim().min(1).max(2000),
  /** The day that it was written. */
  on: day,
  /** Of an extra: what is charged for it, least units of the currency. */
  amount: z.number().int().min(0).max(1e9).optional(),
  /** Of what was agreed or said: the day on which it was taken back. It stays written down. */
  back: day.optional(),
  /** Who wrote it, as they are called. */
  by: name.optional(),
  /** Of a question: the day on which it was done with. */
  done: day.optional(),
});
export type Note = z.infer<typeof schema>;

export const noteKind = kind<Note>(schema, {
  label: 'Note',
  idStem: 'note',
  onPaper: true,
  about: 'something written down about a thing or the whole job',
  notes: {
    sort: '`seen`, `asks` (a question), `wish`, `promise`, `extra` (agreed on the way), `byOthers` (who else does it), `changed` (why the plan did), `warned` (the customer, of what)',
    of: 'what it is about; the whole job when absent; about another note it answers that',
    amount: 'of an extra: least units of the currency',
    back: 'the day on which it was taken back',
    done: 'of a question: the day on which it was done with',
  },
  nameIn: ({ text }) => text,
});
