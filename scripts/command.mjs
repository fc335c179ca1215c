// Runs a command of the server's folder by its name: `node scripts/command.mjs plan FILE`.
import { ensureBundled } from './lib/bundle.mjs';
import { become } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  ensureBundled();
  const [name, ...args] = process.argv.slice(2);
  become(name, args);
});
