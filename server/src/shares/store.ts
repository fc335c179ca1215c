/** Links to pages that are read without being let in. Only a link's hash is kept: who reads the database can open none. */
import { randomBytes } from 'node:crypto';
import type { Audience, Share } from '@katabasis/core';
import { hashOf } from '../admission/hashOf';
import { Withdrawals } from '../admission/withdrawals';
import type { Db } from '../database';
import { ProblemError } from '../http/problem';

interface Row {
  token_hash: string;
  job_id: string;
  audience: Audience;
  made_at: string;
  withdrawn_at: string | null;
}

/** What a link leads to. */
export interface Found {
  job: string;
  audience: Audience;
  withdrawn: boolean;
}

/** Bytes of a link: more than anybody guesses. */
const BYTES = 24;

export class ShareStore {
  constructor(
    private readonly db: Db,
    private readonly withdrawals = new Withdrawals(null),
  ) {}

  /** A new link to a job, for somebody; gives what only its holder knows. */
  make(job: string, audience: Audience): string {
    const token = randomBytes(BYTES).toString('base64url');
    this.db
      .prepare('insert into shares (token_hash, job_id, audience, made_at) values (?, ?, ?, ?)')
      .run(hashOf(token), job, audience, new Date().toISOString());
    return token;
  }

  of(job: string): Share[] {
    return this.db
      .prepare<[string], Row>('select * from shares where job_id = ? order by made_at desc')
      .all(job)
      .map(({ token_hash, audience, made_at, withdrawn_at }) => ({
        id: token_hash.slice(0, 16),
        audience,
        madeAt: made_at,
        withdrawnAt: withdrawn_at,
      }));
  }

  withdraw(job: string, id: string): void {
    const link = this.db
      .prepare<[string, string], Row>(
        'select * from shares where job_id = ? and substr(token_hash, 1, 16) = ? and withdrawn_at is null',
      )
      .get(job, id);
    if (!link) throw new ProblemError(404, 'There is no such link, or it is withdrawn already.');
    this.withdrawals.add(link.token_hash);
    this.db
      .prepare('update shares set withdrawn_at = ? where token_hash = ?')
      .run(new Date().toISOString(), link.token_hash);
  }

  /** What a link leads to; null of one that nobody made. */
  find(token: string): Found | null {
    const row = this.db.prepare<[string], Row>('select * from shares where token_hash = ?').get(hashOf(token));
    return row ? { job: row.job_id, audience: row.audience, withdrawn: row.withdrawn_at !== null } : null;
  }
}
