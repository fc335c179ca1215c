/** What goes on beside the requests for as long as the server runs. */
import type { Application } from '../app';
import { Backups } from '../backups/backups';
import type { Db } from '../database';
import { noteSamePlace } from '../epochs/samePlace';
import { tellOperator } from '../http/problem';
import type { Paths } from '../paths';
import { every } from '../timers';

const HOUR_MS = 3600 * 1000;
const MINUTE_MS = 60 * 1000;

/** Day by day: a backup, and what has been in the bin for long enough is let go. Never stops the server. `copy`: a second copy, kept all along. */
export function keepHouse(db: Db, { store }: Application, paths: Paths, copy: string | undefined): void {
  const backups = new Backups(paths.backups);
  const round = (): void => {
    try {
      store.purge();
    } catch (error) {
      tellOperator(error, 'Emptying the bin');
    }
    backups.makeDue(db).catch((error: unknown) => tellOperator(error, 'The daily backup'));
  };
  round();
  every(HOUR_MS, round);
  whenSaved(db, 'The note beside the database', () => noteSamePlace(db, paths.note));
  if (copy) whenSaved(db, `The copy at ${copy}`, () => Backups.copy(db, copy), -1);
}

const savedIn = (db: Db): number => db.prepare<[], { n: number }>('select total_changes() as n').get()!.n;

/** Does something at the end of each minute in which something was saved, one at a time. `done`: what it was done for last. */
function whenSaved(db: Db, what: string, work: () => Promise<void> | void, done = savedIn(db)): void {
  let busy = false;
  const round = async (): Promise<void> => {
    const now = savedIn(db);
    if (busy || now === done) return;
    busy = true;
    try {
      const working = work();
      await working;
      // What it wrote itself at once is nothing new; what others wrote while it went on is.
      done = working ? now : savedIn(db);
    } catch (error) {
      tellOperator(error, what);
    }
    busy = false;
  };
  void round();
  every(MINUTE_MS, () => void round());
}
