import { become } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  become('server/src/commands/sheets.ts', process.argv.slice(2));
});
