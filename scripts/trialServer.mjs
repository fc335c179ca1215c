// Tries what keeps the data: the server killed at random moments, sent what no honest client sends, changed by many at once, its disk full;
// then two devices offline for a day, and three over a server that is put back. A number after -- is how many kills.
import { join } from 'node:path';
import { ensureBundled } from './lib/bundle.mjs';
import { BUNDLES, run, runBin } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  ensureBundled();
  const code = run(process.execPath, [join(BUNDLES, 'trialServer.mjs'), ...process.argv.slice(2)]);
  const day = ['--selectProjects', 'client', '--testPathPattern', 'sync/(day|merging/afterRestore)', '--verbose'];
  process.exit(code || runBin('jest', day));
});
