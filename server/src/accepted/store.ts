/** Acceptances and comments in the database. */
import type { Accepted, Signature } from '@katabasis/core';
import type { Db } from '../database';
import { ProblemError } from '../http/problem';

/** So many comments of one link are taken: who has more to say telephones. */
const MOST_COMMENTS = 50;

interface AcceptanceRow {
  number: number;
  name: string;
  on_day: string;
  at: string;
  chosen: string | null;
  price: string;
  offered: string;
  sha256: string;
  signature: string;
}

export interface Taken {
  job: string;
  share: string;
  name: string;
  on: string;
  chosen: string | null;
  price: string;
  offered: string;
  sha256: string;
  signature: Signature;
  address: string;
}

/** Strokes as data of an SVG path. */
export const pathOfSignature = (strokes: Signature): string =>
  strokes.map((stroke) => `M${stroke.map(([x, y]) => `${x} ${y}`).join('L')}`).join('');

export class AcceptedStore {
  constructor(private readonly db: Db) {}

  /** Keeps what was accepted. What stands last already is the same sent twice, as after a lost answer, and is kept once. Whether it was kept now. */
  accept({ job, share, name, on, chosen, price, offered, sha256, signature, address }: Taken): boolean {
    const drawn = JSON.stringify(signature);
    const last = this.db
      .prepare<[string], AcceptanceRow>('select * from acceptances where job_id = ? order by number desc limit 1')
      .get(job);
    if (last?.sha256 === sha256 && last.chosen === chosen && last.name === name && last.signature === drawn)
      return false;
    this.db
      .prepare(
        `insert into acceptances (job_id, share, name, on_day, chosen, price, offered, sha256, signature, at, address)
         values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      )
      .run(job, share, name, on, chosen, price, offered, sha256, drawn, new Date().toISOString(), address);
    return true;
  }

  /** Those of a job, the latest first. `sha256`: of the offer as it reads now. */
  of(job: string, sha256: string): Accepted['accepted'] {
    return this.db
      .prepare<[string], AcceptanceRow>('select * from acceptances where job_id = ? order by number desc')
      .all(job)
      .map((row) => ({
        number: row.number,
        name: row.name,
        on: row.on_day,
        at: row.at,
        chosen: row.chosen,
        price: row.price,
        offered: row.offered,
        sha256: row.sha256,
        signature: pathOfSignature(JSON.parse(row.signature) as Signature),
        stands: row.sha256 === sha256,
      }));
  }

  comment(job: string, share: string, { name, said }: { name: string; said: string }): void {
    const { n } = this.db
      .prepare<[string], { n: number }>('select count(*) as n from comments where share = ?')
      .get(share)!;
    if (n >= MOST_COMMENTS)
      throw new ProblemError(429, 'Much was asked here already. Telephone whoever sent you this.');
    this.db
      .prepare('insert into comments (job_id, share, name, said, at) values (?, ?, ?, ?, ?)')
      .run(job, share, name, said, new Date().toISOString());
  }

  comments(job: string): Accepted['comments'] {
    return this.db
      .prepare<[string], Accepted['comments'][number]>(
        'select number, name, said, at, answer from comments where job_id = ? order by number',
      )
      .all(job);
  }

  answer(job: string, number: number, answer: string, by: string): void {
    const done = this.db
      .prepare('update comments set answer = ?, answered_at = ?, answered_by = ? where job_id = ? and number = ?')
      .run(answer, new Date().toISOString(), by, job, number);
    if (done.changes === 0) throw new ProblemError(404, 'There is no such question.');
  }
}
