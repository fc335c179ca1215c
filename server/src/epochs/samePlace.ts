/**
 * Whether the database is the very one that was worked on here last. Copies made by Katabasis say so themselves; one that was put in place
 * by other means is known by a note: written as work goes on, in the database and in a file beside it.
 */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Db } from '../database';
import { writeWhole } from '../files/writeWhole';
import { beginEpoch, copiedAt } from './epochs';

/** Writes both notes anew. A kill between the two costs an epoch, and nothing else. */
export function noteSamePlace(db: Db, file: string): void {
  const note = randomUUID();
  db.transaction(() => {
    db.exec('delete from present');
    db.prepare('insert into present (note) values (?)').run(note);
  }).immediate();
  writeWhole(file, note);
}

/** Whether the notes differ. Where there is no file beside, nobody can tell, and it is taken for the same. */
function isElsewhere(db: Db, file: string): boolean {
  let beside: string;
  try {
    beside = readFileSync(file, 'utf8');
  } catch {
    return false;
  }
  return db.prepare<[], { note: string }>('select note from present').get()?.note !== beside;
}

/** Begins an epoch in a database that is not the one worked on here last, unless it says itself that it is a copy: that one begins its own. */
export function heedAnotherPlace(db: Db, file: string): void {
  const known = db.prepare('select 1 from epochs').get() !== undefined;
  if (known && copiedAt(db) === null && isElsewhere(db, file)) beginEpoch(db, { asOf: null });
}
