// Writes everything, jobs and photos, into one file; the server may run. A path after -- says where. KATABASIS_DATA says of what.
import { become } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  become('server/src/commands/backup.ts', process.argv.slice(2));
});
