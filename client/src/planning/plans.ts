/** The last plans made in this place, on the page or in its worker: the same job is planned once, and the next one keeps of the last what reads the same. */
import { planJob, type Job, type Plan } from '@katabasis/core';

/** Plans held: of the job as made, of the one under the finger, and of the states to which one goes back and forth. */
const HELD = 4;

interface Held {
  job: Job;
  plan: Plan;
}

class Plans {
  private held: Held[] = [];

  /** The plan of a job: the very one that was made of the same elements, while it is among the last few. */
  of(job: Job): Plan {
    const known = this.held.find((each) => each.job.elements === job.elements && each.job.id === job.id);
    const before = this.held.find((each) => each.job.id === job.id);
    const held = known ?? { job, plan: planJob(job, before?.plan) };
    this.held = [held, ...this.held.filter((each) => each !== held)].slice(0, HELD);
    return held.plan;
  }

  /** The job with what its plan has worked out of it, for questions about its ground. */
  questioned(job: Job): Job {
    return { id: job.id, elements: job.elements, kept: this.of(job).here!.kept! };
  }
}

export const plans = new Plans();
