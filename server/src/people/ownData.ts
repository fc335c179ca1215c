/**
 * What is kept of one person: given out whole, and, of who has gone, forgotten. Names in the change log are told apart by the time that
 * somebody of that name was here: two who are called the same are never here at once.
 */
import type { KeptOf } from '@katabasis/core';
import type { Db } from '../database';
import { ProblemError } from '../http/problem';

/** What stands where a name stood. */
export const FORGOTTEN = 'Somebody who left';
const EVER = '9999';

interface Row {
  id: string;
  name: string;
  role: KeptOf['role'];
  made_at: string;
  withdrawn_at: string | null;
}

export class OwnData {
  constructor(private readonly db: Db) {}

  private row(id: string): Row {
    const row = this.db
      .prepare<[string], Row>('select id, name, role, made_at, withdrawn_at from people where id = ?')
      .get(id);
    if (!row || row.name === FORGOTTEN) throw new ProblemError(404, 'There is nobody of that name here any more.');
    return row;
  }

  /** Those who have gone and are not forgotten, the latest first. */
  left(): { id: string; name: string; leftAt: string }[] {
    return this.db
      .prepare<[string], { id: string; name: string; leftAt: string }>(
        'select id, name, withdrawn_at as "leftAt" from people where withdrawn_at is not null and name <> ? order by withdrawn_at desc',
      )
      .all(FORGOTTEN);
  }

  /** All that is kept of somebody. */
  of(id: string): KeptOf {
    const { name, role, made_at: madeAt, withdrawn_at: leftAt } = this.row(id);
    const all = <T>(sql: string, ...asked: string[]): T[] => this.db.prepare<string[], T>(sql).all(...asked);
    const named = [name, madeAt, leftAt ?? EVER];
    return {
      id,
      name,
      role,
      madeAt,
      leftAt,
      devices: all(
        'select name, paired_at as "letInAt", seen_at as "seenAt", withdrawn_at as "signedOutAt", from_address as address from devices where person_id = ? order by paired_at',
        id,
      ),
      passkeys: all('select made_at as "madeAt", used_at as "usedAt" from passkeys where person_id = ?', id),
      jobs: all('select job_id as job, from_day as "from", to_day as "to" from given_jobs where person_id = ?', id),
      changes: all(
        'select job_id as job, label, at from changes where by = ? and at between ? and ? order by at',
        ...named,
      ),
      handed: all('select job_id as job, label, at from handed where person_id = ? order by at', id),
      news: all('select job_id as job, what, at from told where person_id = ? order by at', id),
      trail: all('select at, address, what from audit where who = ? and at between ? and ? order by number', ...named),
    };
  }

  /** Forgets somebody who has gone: what they did stays, and is nobody's. The trail stays as it is. */
  forget(id: string): string {
    return this.db
      .transaction(() => {
        const { name, made_at: from, withdrawn_at: to } = this.row(id);
        if (to === null) throw new ProblemError(422, `${name} is here. Let them in no more first.`);
        const run = (sql: string, ...asked: string[]): void => void this.db.prepare<string[]>(sql).run(...asked);
        run('update people set name = ?, called = id where id = ?', FORGOTTEN, id);
        run("update devices set name = 'A device', from_address = null where person_id = ?", id);
        run('update changes set by = ? where by = ? and at between ? and ?', FORGOTTEN, name, from, to);
        // Put in by somebody else on their behalf.
        run(
          `update changes set by = ? || substr(by, length(?) + 1)
           where (job_id, change_id) in (select job_id, change_id from handed where person_id = ?) and substr(by, 1, length(?)) = ?`,
          FORGOTTEN,
          name,
          id,
          name,
          name,
        );
        run('update handed set by = ? where person_id = ?', FORGOTTEN, id);
        run('delete from given_jobs where person_id = ?', id);
        run('delete from told where person_id = ? or by_reader = ?', id, id);
        run('delete from told_read where reader = ?', id);
        run(
          'update invitations set name = ? where person_id = ? or (name = ? and used_at between ? and ?)',
          FORGOTTEN,
          id,
          name,
          '',
          to,
        );
        return name;
      })
      .immediate();
  }
}
