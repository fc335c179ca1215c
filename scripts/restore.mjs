// Puts a backup in place of what is there; what was there is moved aside. The server must not run meanwhile.
import { become } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  become('server/src/commands/restore.ts', process.argv.slice(2));
});
