import { attempt, ensureBuilt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  ensureBuilt({ force: true });
});
