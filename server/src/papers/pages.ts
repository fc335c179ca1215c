/** Pages behind links, each kept until its job changes: asked for again they cost nothing, and asked for by many at once they are made once. */
import type { Offer } from '../accepted/offer';
import type { Audience } from '@katabasis/core';
import type { Papers } from './papers';

/** Pages kept in memory; one is some 100 kB. */
const MOST = 100;

export class Pages {
  private readonly kept = new Map<string, { seq: number; page: Promise<string> }>();

  constructor(private readonly papers: Papers) {}

  /** Lets go of all: what every page shows has changed. */
  forget(): void {
    this.kept.clear();
  }

  /** The page of a job as it stands at a sequence number. */
  of(job: string, audience: Audience, seq: number): Promise<string> {
    return this.made(`${audience} ${job}`, seq, () => this.papers.make({ kind: 'page', job, audience }));
  }

  /** A job's dates of care for who lives there, as a calendar; of each day it is made once. */
  dates(job: string, seq: number, now: string): Promise<string> {
    const key = `dates ${now.slice(0, 10)} ${job}`;
    return this.made(key, seq, () => this.papers.make({ kind: 'dates', job, made: now }));
  }

  /** What a job offers as it stands at a sequence number. */
  async offer(job: string, seq: number): Promise<Offer> {
    return JSON.parse(await this.made(`offer ${job}`, seq, () => this.papers.make({ kind: 'offer', job }))) as Offer;
  }

  private async made(key: string, seq: number, make: () => Promise<string>): Promise<string> {
    const known = this.kept.get(key);
    this.kept.delete(key);
    const page = known?.seq === seq ? known.page : make();
    this.kept.set(key, { seq, page });
    for (const oldest of this.kept.keys()) {
      if (this.kept.size <= MOST) break;
      this.kept.delete(oldest);
    }
    try {
      return await page;
    } catch (error) {
      // What could not be made once may be made another time.
      if (this.kept.get(key)?.page === page) this.kept.delete(key);
      throw error;
    }
  }
}
