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
  until: string | null;
}

/** What a link leads to. */
export interface Found {
  job: string;
  audience: Audience;
  /** What its holder is told where it leads nowhere any more; null where it does. */
  ended: string | null;
  /** Name of the link itself, which opens nothing. */
  share: string;
}

const DAY_MS = 24 * 3600 * 1000;
const untilIn = (days: number | null): string | null =>
  days === null ? null : new Date(Date.now() + days * DAY_MS).toISOString();

function endOf({ withdrawn_at, until }: Row): string | null {
  if (withdrawn_at !== null) return 'This page was withdrawn. Ask whoever sent you the link for a new one.';
  if (until !== null && until < new Date().toISOString())
    return 'This page has run out. Ask whoever sent you the link for a new one.';
  return null;
}

/** Bytes of a link: more than anybody guesses. */
const BYTES = 24;

export class ShareStore {
  constructor(
    private readonly db: Db,
    private readonly withdrawals = new Withdrawals(null),
  ) {}

  /** A new link to a job, for somebody; gives what only its holder knows. */
  make(job: string, audience: Audience, days: number | null = null): string {
    const token = randomBytes(BYTES).toString('base64url');
    this.db
      .prepare('insert into shares (token_hash, job_id, audience, made_at, until) values (?, ?, ?, ?, ?)')
      .run(hashOf(token), job, audience, new Date().toISOString(), untilIn(days));
    return token;
  }

  of(job: string): Share[] {
    return this.db
      .prepare<[string], Row>('select * from shares where job_id = ? order by made_at desc')
      .all(job)
      .map(({ token_hash, audience, made_at, withdrawn_at, until }) => ({
        id: token_hash.slice(0, 16),
        audience,
        madeAt: made_at,
        withdrawnAt: withdrawn_at,
        until,
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
    return row
      ? { job: row.job_id, audience: row.audience, ended: endOf(row), share: row.token_hash.slice(0, 16) }
      : null;
  }
}
