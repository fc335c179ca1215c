/** How the server stands: disk, copies, who is here, what is slow and what failed. */
import { statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { ServerState } from '@katabasis/core';
import Router from '@koa/router';
import { version } from '../../../package.json';
import type { Backups } from '../backups/backups';
import type { Db } from '../database';
import type { DeviceStore } from '../devices/store';
import type { Newsroom } from '../events/newsroom';
import type { PeopleStore } from '../people/store';
import type { Replica } from '../replica/replica';
import { freeAt, type Health } from './health';
import type { Journal } from './journal';
import type { Measures } from './measures';

export interface StateParts {
  db: Db;
  health: Health;
  journal: Journal;
  measures: Measures;
  devices: DeviceStore;
  people: PeopleStore;
  news: Newsroom;
  backups: Backups | null;
  /** A file that is kept as a second copy, where one is. */
  copy: string | undefined;
  replica: Replica | null;
}

const sizeOf = (file: string): number => statSync(file, { throwIfNoEntry: false })?.size ?? 0;

/** Bytes of the database with what is not yet in its main file. */
export const databaseSize = (db: Db): number => (db.memory ? 0 : sizeOf(db.name) + sizeOf(`${db.name}-wal`));

function newestBackup(backups: Backups | null): ServerState['backup'] {
  const names = backups?.list() ?? [];
  const [newest] = names;
  const found = newest === undefined ? undefined : statSync(join(backups!.folder, newest), { throwIfNoEntry: false });
  return found ? { at: found.mtime.toISOString(), bytes: found.size, count: names.length } : null;
}

export function stateRoutes(parts: StateParts): Router {
  const { db, health, journal, measures, devices, people, news, backups, copy, replica } = parts;
  const startedAt = new Date().toISOString();
  const router = new Router({ prefix: '/api/state' });
  router.get('/', (ctx) => {
    const copied = copy === undefined ? undefined : statSync(copy, { throwIfNoEntry: false });
    ctx.body = {
      version,
      schema: db.pragma('user_version', { simple: true }) as number,
      startedAt,
      why: health.why(),
      database: databaseSize(db),
      files: db
        .prepare<[], ServerState['files']>('select count(*) as count, ifnull(sum(size), 0) as bytes from files')
        .get()!,
      free: freeAt(db, dirname(db.name)),
      backup: newestBackup(backups),
      copy: copy === undefined ? null : { at: copied?.mtime.toISOString() ?? null },
      replica: replica?.state() ?? null,
      people: people.all().length,
      devices: devices.list().length,
      listening: news.listening,
      slowest: measures.slowest(),
      problems: [...journal.problems],
    } satisfies ServerState;
  });
  return router;
}
