/** One user act: what it puts and removes. One transaction, one step of undo. */
import { z } from 'zod';
import type { Job } from './job';
import { elementSchema, idSchema, type Element } from './kinds';

/** Where a new element stands: right after another, or first of all. One that is not named stands last. */
const standsSchema = z.strictObject({ id: idSchema, after: idSchema.nullable() });
export type Stands = z.infer<typeof standsSchema>;
export const standsListSchema = z.array(standsSchema).max(20_000);

export const changeSchema = z.strictObject({
  label: z.string().min(1).max(200),
  puts: z.array(elementSchema).max(20_000),
  removes: z.array(idSchema).max(20_000),
  /** What comes back comes back where it stood. */
  stands: standsListSchema.optional(),
});
export type Change = z.infer<typeof changeSchema>;

export interface Applied {
  job: Job;
  /** The change that leads back: applying it to `job` gives the job before. */
  inverse: Change;
}

/** The job after a change. Costs what the change touches. Removing what is not there is no change. */
export const changed = (job: Job, { puts, removes, stands }: Pick<Change, 'puts' | 'removes' | 'stands'>): Job => ({
  id: job.id,
  elements: job.elements.with(puts, removes, stands),
});

/** Where elements stand in a job, in the job's order, so that each comes after what it is to stand behind. */
export function standsOf(job: Job, ids: ReadonlySet<string>): Stands[] {
  const stands: Stands[] = [];
  let after: string | null = null;
  for (const { id } of job.elements) {
    if (ids.has(id)) stands.push({ id, after });
    after = id;
  }
  return stands;
}

/** The job after a change, and the change that undoes it. */
export function applyChange(job: Job, change: Change): Applied {
  const touched = new Set([
    ...change.removes.filter((id) => job.elements.has(id)),
    ...change.puts.map((element) => element.id),
  ]);
  const puts: Element[] = [];
  const removes: string[] = [];
  for (const id of touched) {
    const before = job.elements.get(id);
    if (before) puts.push(before);
    else removes.push(id);
  }
  const after = changed(job, change);
  const gone = new Set(change.removes.filter((id) => job.elements.has(id) && !after.elements.has(id)));
  const stands = gone.size > 0 ? { stands: standsOf(job, gone) } : {};
  return { job: after, inverse: { label: change.label, puts, removes, ...stands } };
}

export const put = (label: string, ...puts: Element[]): Change => ({ label, puts, removes: [] });
