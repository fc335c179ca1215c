// Times the core, bundled as the browser runs it: the loader that runs TypeScript directly adds its own cost to every closure.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, run } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
});
const { buildSync } = await import('esbuild');
const outfile = join(mkdtempSync(join(tmpdir(), 'katabasis-bench-')), 'bench.mjs');
buildSync({
  entryPoints: [join(ROOT, 'server/src/commands/bench.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile,
  logLevel: 'error',
});
const code = run(process.execPath, ['--expose-gc', outfile]);
// Then the real interface, unless only the core is asked for.
process.exit(
  code ||
    (process.argv.includes('--core')
      ? 0
      : run(process.execPath, ['--import', 'tsx', join(ROOT, 'scripts/benchPage.mjs')])),
);
