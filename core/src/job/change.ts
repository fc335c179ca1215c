/** One user act: what it puts and removes. One transaction, one step of undo. */
import { z } from 'zod';
import { elementSchema, idSchema, type Element } from './elements';
import type { Job } from './job';

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

/** The job after a change, and the change that undoes it. Removing what is not there is no change. */
export function applyChange(job: Job, change: Change): Applied {
  const elements: Record<string, Element> = { ...job.elements };
  const before = new Map<string, Element | undefined>();
  for (const id of change.removes) {
    if (!(id in elements)) continue;
    before.set(id, elements[id]);
    delete elements[id];
  }
  for (const element of change.puts) {
    if (!before.has(element.id)) before.set(element.id, elements[element.id]);
    elements[element.id] = element;
  }
  const puts: Element[] = [];
  const removes: string[] = [];
  for (const [id, element] of before) {
    if (element) puts.push(element);
    else removes.push(id);
  }
  return { job: { id: job.id, elements }, inverse: { label: change.label, puts, removes } };
}

export const put = (label: string, ...puts: Element[]): Change => ({ label, puts, removes: [] });
