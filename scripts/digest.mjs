import { become } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  become('core/src/testing/digestCommand.ts', process.argv.slice(2));
});
