/** `npm run backup [-- FILE]`: everything in one file, also while the server runs. */
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { writeEverything } from '../backups/everything';
import { openDatabase } from '../database';
import { pathsOf } from '../paths';

async function backup([file]: string[]): Promise<void> {
  const paths = pathsOf(process.env);
  if (!existsSync(paths.database)) throw new Error(`There is nothing to back up: no ${paths.database}.`);
  const day = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
  const target = resolve(file ?? join(paths.backups, `everything-${day}.sqlite`));
  if (existsSync(target)) throw new Error(`${target} is there already. Name another file.`);
  const db = openDatabase(paths.database);
  const jobs = db.prepare<[], { count: number }>('select count(*) as count from jobs').get()!.count;
  const files = await writeEverything(db, paths.files, target);
  db.close();
  console.log(`In ${target}: jobs ${jobs}, files ${files}.`);
}

backup(process.argv.slice(2)).catch((error: unknown) => {
  console.error((error as Error).message);
  process.exit(1);
});
