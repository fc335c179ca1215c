/** Jobs as they stand, kept in memory between changes: what a change costs does not grow with the job. One server has one database. */
import type { Job } from '@katabasis/core';

export interface LiveJob {
  seq: number;
  job: Job;
  /** Version of each element, and its place, as the table orders them; changed in place once a change is on the disk. */
  versions: Map<string, number>;
  places: Map<string, number>;
}

/** Elements kept in all: some hundred MB at most. A job of 30 is nothing, and one of 20,000 is a tenth of it. */
const MAX_ELEMENTS_KEPT = 200_000;

export class LiveJobs {
  private readonly kept = new Map<string, LiveJob>();
  private elements = 0;

  /** The job at a sequence number; undefined where it is not in memory as of then. */
  at(id: string, seq: number): LiveJob | undefined {
    const live = this.kept.get(id);
    if (live?.seq !== seq) return undefined;
    return this.keep(id, live);
  }

  /** Keeps a job as it stands now. The one asked for or changed last stays longest. */
  keep(id: string, live: LiveJob): LiveJob {
    this.drop(id);
    this.kept.set(id, live);
    this.elements += live.job.elements.size;
    for (const oldest of this.kept.keys()) {
      if (this.elements <= MAX_ELEMENTS_KEPT || oldest === id) break;
      this.drop(oldest);
    }
    return live;
  }

  private drop(id: string): void {
    const known = this.kept.get(id);
    if (!known) return;
    this.elements -= known.job.elements.size;
    this.kept.delete(id);
  }
}
