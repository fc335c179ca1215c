/**
 * The data folder: one server has it at a time. Its lock is a lock of the system on a file, held for as long as the process lives, so a
 * kill leaves nothing behind that would have to be cleared away.
 */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

export class FolderTaken extends Error {}

export interface HeldFolder {
  /** Says where the server is to be found, for whoever comes second. */
  announce(address: string): void;
  release(): void;
}

const LOCK = 'lock.sqlite';
const NOTE = 'server.txt';

/** Takes a data folder for this process. Throws `FolderTaken`, with the address of who has it, when another has. */
export function holdFolder(folder: string): HeldFolder {
  mkdirSync(folder, { recursive: true });
  const note = join(folder, NOTE);
  const lock = new Database(join(folder, LOCK), { timeout: 0 });
  try {
    lock.pragma('journal_mode = DELETE');
    lock.exec('begin exclusive');
  } catch (error) {
    lock.close();
    if (!String((error as { code?: string }).code).startsWith('SQLITE_BUSY')) throw error;
    throw new FolderTaken(`Katabasis already runs over ${folder}${whereIsIt(note)}. One folder has one server.`);
  }
  return {
    announce: (address) => writeFileSync(note, `${address}\n`),
    release: () => {
      rmSync(note, { force: true });
      lock.close();
    },
  };
}

function whereIsIt(note: string): string {
  try {
    return `, at ${readFileSync(note, 'utf8').trim()}`;
  } catch {
    // It has not said so yet.
    return '';
  }
}
