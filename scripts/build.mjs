import { ensureBundled } from './lib/bundle.mjs';
import { attempt, ensureBuilt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  ensureBundled();
  // The tests build what is not built already.
  ensureBuilt({ force: !process.argv.includes('--if-stale') });
});
