/** Whether a change could be written down now, and why not. */
import { statfsSync } from 'node:fs';
import type { Middleware } from 'koa';
import type { Db } from '../database';
import { problemOf } from './problem';

/** Less than this free is as good as full: a photo and its job would fill it. */
const LEAST_FREE = 50e6;
/** It is looked at so often at most, ms. */
const EVERY_MS = 5_000;

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
  if (db.memory) return null;
  try {
    const { bavail, bsize } = statfsSync(folder);
    const free = bavail * bsize;
    return free < LEAST_FREE ? `The server’s disk has ${Math.floor(free / 1e6)} MB left.` : null;
  } catch {
    // A system that does not tell.
    return null;
  }
}

/** `folder`: where the database lies. */
export function health(db: Db, folder: string): Middleware {
  let looked = -Infinity;
  let why: string | null = null;
  return async (ctx, next) => {
    if (ctx.path !== '/api/health') return next();
    if (performance.now() - looked > EVERY_MS || why !== null) {
      why = lookAt(db, folder);
      looked = performance.now();
    }
    ctx.status = why === null ? 200 : 503;
    ctx.body = why === null ? { ok: true } : { ok: false, why };
  };
}
