// Starts a contractor's own server, empty at first. KATABASIS_DATA and KATABASIS_PORT say where; --lan lets phones on the network in.
import { ensureBundled } from './lib/bundle.mjs';
import { become } from './lib/run.mjs';
import { attempt, ensureBuilt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  ensureBuilt();
  ensureBundled();
  become('main', [], process.argv.includes('--lan') ? { KATABASIS_HOST: '::' } : {});
});
