/** `npm run restore -- FILE`: puts everything of a backup in place of what is there. The server must not run meanwhile. */
import { resolve } from 'node:path';
import { readEverything } from '../backups/everything';
import { holdFolder } from '../folder';
import { pathsOf } from '../paths';

// What is written here is its owner's alone.
process.umask(0o077);

function restore([file, ...more]: string[]): void {
  if (file === undefined || more.length > 0) throw new Error('Name the backup:  npm run restore -- FILE');
  const paths = pathsOf(process.env);
  const held = holdFolder(paths.folder);
  try {
    const { aside, count } = readEverything(resolve(file), paths.database, paths.files);
    console.log(`${file} is in place${count > 0 ? `, with ${count} files` : ''}.`);
    if (aside) console.log(`What was there before is kept as ${aside}`);
  } finally {
    held.release();
  }
}

try {
  restore(process.argv.slice(2));
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
