/** Values and entries of a plan's records, listed once: some sixty rules go through the same runs, landings and inlets. */
import { keptOf, type Job } from '../job/job';
import { step } from '../numeric/kept';

interface Listed {
  record: Readonly<Record<string, unknown>>;
}

const values = step('values', ({ record }: Listed): readonly unknown[] => Object.values(record));
const entries = step('entries', ({ record }: Listed): readonly (readonly [string, unknown])[] =>
  Object.entries(record),
);

export const valuesOf = <T>(job: Job, record: Readonly<Record<string, T>>): readonly T[] =>
  keptOf(job).ask(values, { record }) as readonly T[];
export const entriesOf = <T>(job: Job, record: Readonly<Record<string, T>>): readonly (readonly [string, T])[] =>
  keptOf(job).ask(entries, { record }) as readonly (readonly [string, T])[];
