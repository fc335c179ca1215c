import { join } from 'node:path';
import { quillfeather } from '@katabasis/core/samples';
import { readEverything, writeEverything } from '../backups/everything';
import { openDatabase, type Db } from '../database';
import { JobStore } from '../jobs/store';
import { folder } from '../testing/serve';
import type { Paths } from '../paths';
import { prepare } from '../start/opening';

/** A data folder that is worked on, copied and put back as the commands do it, each start a new process's. */
function office() {
  const data = folder();
  const at = (name: string): string => join(data, name);
  const paths: Paths = {
    folder: data,
    database: at('yard.sqlite'),
    files: at('files'),
    backups: at('backups'),
    key: at('own-key'),
    withdrawn: at('withdrawn'),
    note: at('yard.note'),
    epochs: at('yard.epochs'),
  };
  let made = 0;
  const open = async (): Promise<{ db: Db; store: JobStore }> => {
    const { db } = await prepare(paths, undefined);
    return { db, store: new JobStore(db) };
  };
  return {
    paths,
    open,
    /** So many changes more. */
    work: (store: JobStore, changes: number): void => {
      for (let k = 0; k < changes; k++)
        store.change('quillfeather', { change: `c${made++}`, label: 'Work', puts: [], removes: [] });
    },
    copy: async (db: Db): Promise<string> => {
      const file = at(`copy-${made++}.sqlite`);
      await writeEverything(db, data, file);
      return file;
    },
    putBack: async (copy: string): Promise<{ db: Db; store: JobStore }> => {
      readEverything(copy, paths.database, data);
      return open();
    },
  };
}

it('one copy put back again and again: what a device knew in the life between is still known for shared up to the copy', async () => {
  const { open, work, copy, putBack, paths } = office();
  const first = await open();
  first.store.create(quillfeather());
  work(first.store, 2);
  const one = await copy(first.db);
  const root = first.store.epochs.id;
  first.db.close();
  const between: string[] = [];
  for (let k = 0; k < 3; k++) {
    const { db, store } = await putBack(one);
    between.push(store.epochs.id);
    work(store, k + 1);
    db.close();
  }
  const { db, store } = await putBack(one);
  for (const epoch of [root, ...between]) {
    const { job, asOf } = store.beside('quillfeather', epoch);
    expect([epoch, job!.common]).toEqual([epoch, 2]);
    expect(Date.parse(asOf!)).toBeGreaterThan(0);
  }
  // A start that restores nothing changes nothing, and a copy takes all lives along to another machine.
  const [there, again] = [office(), await copy(db)];
  db.close();
  const same = await open();
  expect(same.store.epochs.id).toBe(store.epochs.id);
  same.db.close();
  readEverything(again, there.paths.database, there.paths.folder);
  const moved = await there.open();
  expect(moved.store.beside('quillfeather', between[1]!).job!.common).toBe(2);
  moved.db.close();
  expect(openDatabase(paths.database).prepare('select count(*) as n from epochs').get()).toEqual({ n: 5 });
});

it('an older copy, then a newer one: a device of the life between shares no more than the older, nor was let go what began since', async () => {
  const { open, work, copy, putBack } = office();
  const first = await open();
  first.store.create(quillfeather());
  work(first.store, 1);
  const older = await copy(first.db);
  work(first.store, 3);
  const newer = await copy(first.db);
  first.db.close();
  const between = await putBack(older);
  work(between.store, 6);
  const from = await copy(between.db);
  const { id } = between.store.epochs;
  between.db.close();
  const now = await putBack(newer);
  expect(now.store.beside('quillfeather', id).job!.common).toBe(1);
  const asOf = now.store.beside('quillfeather', id).asOf!;
  now.db.close();
  const branch = await putBack(from);
  // Of the same life, up to its own copy; and of the one that was put back in between, up to the older.
  expect(branch.store.beside('quillfeather', id).job!.common).toBe(7);
  expect(branch.store.beside('quillfeather', now.store.epochs.id).job!.common).toBe(1);
  expect(branch.store.beside('quillfeather', id).asOf! > asOf).toBe(true);
  branch.db.close();
});
