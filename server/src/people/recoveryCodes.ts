/** Codes for who has lost every other way in: each is good once, and only its hash is kept. */
import { hashOf } from '../admission/hashOf';
import { readAloud } from '../admission/readAloud';
import type { Db } from '../database';

const CODES = 8;
/** 46 bits. */
const CODE_LENGTH = 10;

const bareCode = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

function newCode(): string {
  const code = readAloud(CODE_LENGTH);
  return `${code.slice(0, 5)}-${code.slice(5)}`;
}

export class RecoveryCodes {
  constructor(private readonly db: Db) {}

  /** New recovery codes in place of all before; told once. */
  renew(person: string): string[] {
    const codes = Array.from({ length: CODES }, newCode);
    this.db
      .transaction(() => {
        this.db.prepare('delete from recovery_codes where person_id = ?').run(person);
        const put = this.db.prepare('insert into recovery_codes (person_id, code_hash) values (?, ?)');
        for (const code of codes) put.run(person, hashOf(bareCode(code)));
      })
      .immediate();
    return codes;
  }

  /** Spends a recovery code; false where it is none that is left. */
  take(person: string, code: string): boolean {
    const hash = hashOf(bareCode(code));
    const done = this.db
      .prepare('update recovery_codes set used_at = ? where person_id = ? and code_hash = ? and used_at is null')
      .run(new Date().toISOString(), person, hash);
    return done.changes > 0;
  }

  left(person: string): number {
    return this.db
      .prepare<[string], { n: number }>(
        'select count(*) as n from recovery_codes where person_id = ? and used_at is null',
      )
      .get(person)!.n;
  }
}
