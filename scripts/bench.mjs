// Times the core as it is bundled: the loader that runs TypeScript directly adds its own cost to every closure.
import { join } from 'node:path';
import { ensureBundled } from './lib/bundle.mjs';
import { BUNDLES, ROOT, run } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => {
  ensureInstalled();
  ensureBundled();
});
// Then the server and the real interface, unless only one of them is asked for.
const asked = [
  '--core',
  '--ground',
  '--storm',
  '--propose',
  '--works',
  '--server',
  '--taps',
  '--page',
  '--yard',
  '--first',
].filter((part) => process.argv.includes(part));
const wanted = (part) => asked.length === 0 || asked.includes(part);
const bundle = (name) => run(process.execPath, ['--expose-gc', join(BUNDLES, `${name}.mjs`)]);
const script = (name) => run(process.execPath, [join(ROOT, 'scripts', `${name}.mjs`)]);
process.exit(
  (wanted('--core') && bundle('bench')) ||
    (wanted('--ground') && bundle('benchGround')) ||
    (wanted('--storm') && bundle('benchStorm')) ||
    (wanted('--propose') && bundle('benchPropose')) ||
    (wanted('--works') && bundle('benchWorks')) ||
    (wanted('--server') && bundle('benchServer')) ||
    (wanted('--taps') && script('benchTaps')) ||
    (wanted('--page') && script('benchPage')) ||
    (wanted('--yard') && script('benchYard')) ||
    (wanted('--first') && script('benchFirst')) ||
    0,
);
