/** One user act: what it puts and removes. One transaction, one step of undo. */
import { z } from 'zod';
import type { Job } from './job';
import { elementSchema, idSchema, type Element } from './kinds';

export const changeSchema = z.strictObject({
  label: z.string().min(1).max(200),
  puts: z.array(elementSchema).max(20_000),
  removes: z.array(idSchema).max(20_000),
});
export type Change = z.infer<typeof changeSchema>;

export interface Applied {
  job: Job;
  /** The change that leads back: applying it to `job` gives the job before. */
  inverse: Change;
}

/** The job after a change. Costs what the change touches. Removing what is not there is no change. */
export const changed = (job: Job, { puts, removes }: Pick<Change, 'puts' | 'removes'>): Job => ({
  id: job.id,
  elements: job.elements.with(puts, removes),
});

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
  return { job: changed(job, change), inverse: { label: change.label, puts, removes } };
}

export const put = (label: string, ...puts: Element[]): Change => ({ label, puts, removes: [] });
