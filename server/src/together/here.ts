/** Who has which job open at this moment: said by each page now and then, kept in memory alone. */

/** A page says it every half minute; one that has said nothing for so long is gone. */
const GONE_MS = 75_000;

export class Here {
  private readonly jobs = new Map<string, Map<string, { name: string; at: number }>>();

  constructor(private readonly now: () => number = Date.now) {}

  /** Takes it that a device has a job open, called as `name`; gives what the others there are called. */
  at(job: string, device: string, name: string): string[] {
    const here = this.jobs.get(job) ?? new Map<string, { name: string; at: number }>();
    this.jobs.set(job, here);
    here.set(device, { name, at: this.now() });
    for (const [id, { at }] of here) if (this.now() - at > GONE_MS) here.delete(id);
    const others = [...here].filter(([id, other]) => id !== device && other.name !== name);
    return [...new Set(others.map(([, other]) => other.name))].sort();
  }

  /** Takes it that a device has the job open no more. */
  left(job: string, device: string): void {
    const here = this.jobs.get(job);
    here?.delete(device);
    if (here?.size === 0) this.jobs.delete(job);
  }
}
