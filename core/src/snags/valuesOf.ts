/** Values and entries of a record, listed once: some sixty rules go through the same runs, landings and inlets of one plan. */
import { lastFew } from '../numeric/lastFew';

/** Records remembered: those of a plan or two. */
const REMEMBERED = 16;

const values = lastFew<object, readonly unknown[]>(REMEMBERED, Object.values);
const entries = lastFew<object, readonly (readonly [string, unknown])[]>(REMEMBERED, Object.entries);

export const valuesOf = <T>(record: Readonly<Record<string, T>>): readonly T[] => values(record) as readonly T[];
export const entriesOf = <T>(record: Readonly<Record<string, T>>): readonly (readonly [string, T])[] =>
  entries(record) as readonly (readonly [string, T])[];
