// Starts the server with the sample jobs in a database of their own. --fresh puts the samples back; --lan lets phones on the network in.
import { join } from 'node:path';
import { ensureBundled } from './lib/bundle.mjs';
import { become, ROOT } from './lib/run.mjs';
import { attempt, ensureBuilt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  const known = new Set(['--fresh', '--lan']);
  const odd = process.argv.slice(2).find((word) => !known.has(word));
  if (odd) throw new Error(`"${odd}" is not known here. There are --fresh and --lan.`);
  ensureInstalled();
  ensureBuilt();
  ensureBundled();
  const fresh = process.argv.includes('--fresh');
  become('main', [], {
    KATABASIS_SAMPLES: fresh ? 'fresh' : 'keep',
    KATABASIS_DATA: process.env.KATABASIS_DATA ?? join(ROOT, 'data', 'demo'),
    ...(process.argv.includes('--lan') ? { KATABASIS_HOST: '::' } : {}),
  });
});
