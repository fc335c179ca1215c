/** Whether a change could be written down now, and why not. */
import { statfsSync } from 'node:fs';
import type { Middleware } from 'koa';
import type { Db } from '../database';
import { problemOf } from './problem';

/** Less than this free is as good as full: a photo and its job would fill it. */
const LEAST_FREE = 50e6;
/** It is looked at so often at most, ms. */
const EVERY_MS = 5_000;

/** Bytes that the disk of a database has room for; null of one in memory, and on a system that does not tell. */
export function freeAt(db: Db, folder: string): number | null {
  if (db.memory) return null;
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize;
  } catch {
    return null;
  }
}

function lookAt(db: Db, folder: string): string | null {
  try {
    // Room for a page more; and then a page written for good, which is the same as before.
    db.exec('begin immediate');
    try {
      db.exec('insert into present (note) values (hex(zeroblob(8192)))');
    } finally {
      // A full disk rolls back by itself.
      if (db.inTransaction) db.exec('rollback');
    }
    db.pragma(`user_version = ${db.pragma('user_version', { simple: true }) as number}`);
  } catch (error) {
    return problemOf(error).title;
  }
  const free = freeAt(db, folder);
  return free !== null && free < LEAST_FREE ? `The server’s disk has ${Math.floor(free / 1e6)} MB left.` : null;
}

export class Health {
  private looked = -Infinity;
  private last: string | null = null;

  /** `folder`: where the database lies. */
  constructor(
    private readonly db: Db,
    private readonly folder: string,
  ) {}

  /** Why nothing can be saved; null where it can. Looked at anew where it could not, and every few seconds. */
  why(): string | null {
    if (performance.now() - this.looked > EVERY_MS || this.last !== null) {
      this.last = lookAt(this.db, this.folder);
      this.looked = performance.now();
    }
    return this.last;
  }

  readonly middleware: Middleware = async (ctx, next) => {
    if (ctx.path !== '/api/health') return next();
    const why = this.why();
    ctx.status = why === null ? 200 : 503;
    ctx.body = why === null ? { ok: true } : { ok: false, why };
  };
}
