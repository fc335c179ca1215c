import { copyFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { quillfeather } from '@katabasis/core/samples';
import type { Beside, Element, Problem } from '@katabasis/core';
import { Backups } from '../backups/backups';
import { readEverything, writeEverything } from '../backups/everything';
import { openDatabase, type Db } from '../database';
import { JobStore } from '../jobs/store';
import { resetToSamples } from '../samples';
import { folder, serve } from '../testing/serve';
import { heedAnotherPlace, noteSamePlace } from './samePlace';

const wye = (name: string): Element => ({ id: 'wye2', kind: 'junction', form: 'wye', name, groundLevel: -0.27 });
let made = 0;
const rename = (store: JobStore, base: number, name: string, epoch?: string) =>
  store.change('quillfeather', {
    change: `change-${made++}`,
    label: name,
    puts: [{ base, element: wye(name) }],
    removes: [],
    ...(epoch === undefined ? {} : { epoch }),
  });

/** A data folder with the sample in it. */
function yard(): { data: string; file: string; db: Db; store: JobStore } {
  const data = folder();
  const file = join(data, 'yard.sqlite');
  const db = openDatabase(file);
  const store = new JobStore(db);
  store.create(quillfeather());
  return { data, file, db, store };
}

it.each(['a daily backup', 'a backup of everything'])(
  '%s put back begins an epoch: what was said before is not taken for what is now, though the numbers fit',
  async (kind) => {
    const { data, file, db, store } = yard();
    rename(store, 1, 'Before');
    const copy = join(data, 'copy.sqlite');
    if (kind === 'a daily backup') await Backups.copy(db, copy);
    else await writeEverything(db, data, copy);
    rename(store, 2, 'After');
    store.change('quillfeather', {
      change: 'change-out',
      label: 'Out',
      puts: [],
      removes: [{ id: 'pear', base: 1 }],
    });
    const { epoch } = store.read('quillfeather');
    db.close();
    readEverything(copy, file, data);
    const again = openDatabase(file);
    const restored = new JobStore(again);
    expect(restored.read('quillfeather').epoch).not.toBe(epoch);
    const refused = ((): Problem => {
      try {
        rename(restored, 2, 'Sent by a device of before', epoch);
      } catch (error) {
        return (error as { problem: Problem }).problem;
      }
      throw new Error('It was taken.');
    })();
    expect(refused).toMatchObject({ status: 409, type: 'otherEpoch' });
    restored.change('quillfeather', {
      change: 'change-since',
      label: 'Out',
      puts: [],
      removes: [{ id: 'gas', base: 1 }],
    });
    const { server } = serve({ db: again });
    const beside = (await server.get(`/api/jobs/quillfeather/beside?epoch=${epoch}`).expect(200)).body as Beside;
    // One change is shared; what came after it there is lost, and what came after it here is told.
    expect(beside.job).toMatchObject({ common: 1, removed: ['gas'], seq: 2 });
    expect(beside.epoch).toBe(restored.epochs.id);
    expect(Date.parse(beside.asOf!)).toBeGreaterThan(0);
    const unknown = (await server.get('/api/jobs/quillfeather/beside?epoch=of-somewhere-else').expect(200))
      .body as Beside;
    expect([unknown.job!.common, unknown.asOf]).toEqual([-1, null]);
    // A start that restores nothing begins none.
    expect(new JobStore(again).epochs.id).toBe(restored.epochs.id);
    again.close();
  },
);

it('a job that is not here is told from one that was taken out', async () => {
  const { db, store } = yard();
  const { server } = serve({ db });
  const ask = async (job: string): Promise<Beside> =>
    (await server.get(`/api/jobs/${job}/beside?epoch=${store.epochs.id}`).expect(200)).body as Beside;
  expect(await ask('never')).toMatchObject({ job: null, takenOut: false });
  store.remove('quillfeather');
  expect(await ask('quillfeather')).toMatchObject({ job: null, takenOut: true });
});

it('a database put in place by hand is known by its note, and one that was not is the same', () => {
  const { data, file, db } = yard();
  const note = join(data, 'note');
  const epochs = (of: Db): number => of.prepare<[], { n: number }>('select count(*) as n from epochs').get()!.n;
  noteSamePlace(db, note);
  const byHand = join(data, 'by-hand.sqlite');
  db.exec(`vacuum into '${byHand}'`);
  noteSamePlace(db, note);
  heedAnotherPlace(db, note);
  expect(epochs(db)).toBe(1);
  db.close();
  for (const tail of ['', '-wal', '-shm']) rmSync(file + tail, { force: true });
  copyFileSync(byHand, file);
  const again = openDatabase(file);
  heedAnotherPlace(again, note);
  expect(epochs(again)).toBe(2);
  again.close();
});

it('what was emptied on purpose is not brought back by a device that knows it', () => {
  const { db, store } = yard();
  rename(store, 1, 'Mine');
  const { epoch } = store.read('quillfeather');
  resetToSamples(db);
  const fresh = new JobStore(db);
  expect(fresh.beside('quillfeather', epoch).job!.common).toBe(Number.MAX_SAFE_INTEGER);
});
