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
const outdir = mkdtempSync(join(tmpdir(), 'katabasis-bench-'));
const COMMANDS = ['bench', 'benchGround', 'benchWorks'];
buildSync({
  entryPoints: COMMANDS.map((name) => join(ROOT, `server/src/commands/${name}.ts`)),
  bundle: true,
  platform: 'node',
  format: 'esm',
  outExtension: { '.js': '.mjs' },
  outdir,
  logLevel: 'error',
});
// Then the server and the real interface, unless only one of them is asked for.
const asked = ['--core', '--ground', '--works', '--server', '--taps', '--page', '--yard', '--first'].filter((part) =>
  process.argv.includes(part),
);
const wanted = (part) => asked.length === 0 || asked.includes(part);
const tsx = (file) => run(process.execPath, ['--import', 'tsx', join(ROOT, file)]);
process.exit(
  (wanted('--core') && run(process.execPath, ['--expose-gc', join(outdir, 'bench.mjs')])) ||
    (wanted('--ground') && run(process.execPath, [join(outdir, 'benchGround.mjs')])) ||
    (wanted('--works') && run(process.execPath, [join(outdir, 'benchWorks.mjs')])) ||
    (wanted('--server') && tsx('server/src/commands/benchServer.ts')) ||
    (wanted('--taps') && tsx('scripts/benchTaps.mjs')) ||
    (wanted('--page') && tsx('scripts/benchPage.mjs')) ||
    (wanted('--yard') && tsx('scripts/benchYard.mjs')) ||
    (wanted('--first') && tsx('scripts/benchFirst.mjs')) ||
    0,
);
