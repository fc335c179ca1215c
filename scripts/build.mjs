import { attempt, ensureBuilt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  // The tests build what is not built already.
  ensureBuilt({ force: !process.argv.includes('--if-stale') });
});
