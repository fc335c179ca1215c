/**
 * Devices, links, invitations and people that were shut out, by the hash of their token, in a file beside the database: one put back from a copy does not let
 * them in again. Where there is no such file, as on a new machine, nobody can tell who was shut out since, and all are asked anew.
 */
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readFileSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Db } from '../database';
import { copiedAt } from '../epochs/epochs';

const TABLES = ['devices', 'shares', 'invitations', 'people'] as const;
/** Asked anew where nobody can tell who was shut out since. People are not: each comes in again by what only they know. */
const ASKED_ANEW = ['devices', 'shares', 'invitations'] as const;

export class Withdrawals {
  /** `file`: where they are written; none for a database that no copy is made of. */
  constructor(private readonly file: string | null) {}

  /** Writes one down, before the database does. */
  add(hash: string): void {
    if (this.file === null) return;
    const handle = openSync(this.file, 'a', 0o600);
    try {
      writeSync(handle, `${hash}\n`);
      fsyncSync(handle);
    } finally {
      closeSync(handle);
    }
  }

  /** Shuts out in the database who was shut out before; gives how many devices and links are asked anew as nobody can tell. */
  heed(db: Db): number {
    if (this.file === null) return 0;
    const isKnown = existsSync(this.file);
    mkdirSync(dirname(this.file), { recursive: true });
    const at = new Date().toISOString();
    let anew = 0;
    if (!isKnown) {
      if (copiedAt(db) !== null)
        for (const table of ASKED_ANEW)
          anew += db.prepare(`update ${table} set withdrawn_at = ? where withdrawn_at is null`).run(at).changes;
      const out = TABLES.flatMap((table) =>
        db
          .prepare<[], { hash: string }>(`select token_hash as hash from ${table} where withdrawn_at is not null`)
          .all(),
      );
      closeSync(openSync(this.file, 'a', 0o600));
      for (const { hash } of out) this.add(hash);
      return anew;
    }
    const hashes = readFileSync(this.file, 'utf8').split('\n').filter(Boolean);
    db.transaction(() => {
      for (const table of TABLES) {
        const withdraw = db.prepare(
          `update ${table} set withdrawn_at = ? where token_hash = ? and withdrawn_at is null`,
        );
        for (const hash of hashes) withdraw.run(at, hash);
      }
    }).immediate();
    return 0;
  }
}
