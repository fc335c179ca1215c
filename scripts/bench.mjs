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
// Then the server and the real interface, unless only one of them is asked for.
const asked = ['--core', '--server', '--page', '--first'].filter((part) => process.argv.includes(part));
const wanted = (part) => asked.length === 0 || asked.includes(part);
const tsx = (file) => run(process.execPath, ['--import', 'tsx', join(ROOT, file)]);
process.exit(
  (wanted('--core') && run(process.execPath, ['--expose-gc', outfile])) ||
    (wanted('--server') && tsx('server/src/commands/benchServer.ts')) ||
    (wanted('--page') && tsx('scripts/benchPage.mjs')) ||
    (wanted('--first') && tsx('scripts/benchFirst.mjs')) ||
    0,
);
