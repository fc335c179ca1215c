/** Jobs as they stand, kept in memory between changes: what a change costs does not grow with the job. One server has one database. */
import type { Job } from '@katabasis/core';

export interface LiveJob {
  seq: number;
  job: Job;
  versions: ReadonlyMap<string, number>;
  /** Place of each element, as the table orders them. */
  places: ReadonlyMap<string, number>;
}

const MAX_KEPT = 50;

export class LiveJobs {
  private readonly kept = new Map<string, LiveJob>();

  /** The job at a sequence number; undefined where it is not in memory as of then. */
  at(id: string, seq: number): LiveJob | undefined {
    const live = this.kept.get(id);
    if (live?.seq !== seq) return undefined;
    return this.keep(id, live);
  }

  /** Keeps a job as it stands now. The one asked for or changed last stays longest. */
  keep(id: string, live: LiveJob): LiveJob {
    this.kept.delete(id);
    this.kept.set(id, live);
    if (this.kept.size > MAX_KEPT) this.kept.delete(this.kept.keys().next().value!);
    return live;
  }
}
