/** `npm run backup [-- FILE]`: everything in one file, also while the server runs. */
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { writeEverything } from '../backups/everything';
import { openDatabase } from '../database';
import { pathsOf } from '../paths';

// What is written here is its owner's alone.
process.umask(0o077);

async function backup([file]: string[]): Promise<void> {
  const paths = pathsOf(process.env);
  if (!existsSync(paths.database)) throw new Error(`There is nothing to back up: no ${paths.database}.`);
  const day = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
  const target = resolve(file ?? join(paths.backups, `everything-${day}.sqlite`));
  if (existsSync(target)) throw new Error(`${target} is there already. Name another file.`);
  const db = openDatabase(paths.database);
  const jobs = db.prepare<[], { count: number }>('select count(*) as count from jobs').get()!.count;
  const { count, lacking } = await writeEverything(db, paths.files, target);
  db.close();
  console.log(`In ${target}: jobs ${jobs}, files ${count}.`);
  if (lacking > 0)
    console.log(
      `${lacking === 1 ? 'One picture that a job names is' : `${lacking} pictures that jobs name are`} not in it: the device that took ${lacking === 1 ? 'it has' : 'them has'} not sent ${lacking === 1 ? 'it' : 'them'}.`,
    );
}

backup(process.argv.slice(2)).catch((error: unknown) => {
  console.error((error as Error).message);
  process.exit(1);
});
