/**
 * The server and the commands as they are run: bundled over common pieces into server/dist, so that they are up within a second. With the
 * loader that runs TypeScript directly a server took 3.9 s to start and a command 2 to 4.
 */
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { basename, join } from 'node:path';
import { alone } from './alone.mjs';
import { BUNDLES, ROOT } from './run.mjs';

const MADE_OF = join(BUNDLES, 'made-of.txt');

const filesIn = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .sort()
    .map((name) => join(ROOT, folder, name));

const SOURCES = ['core/src', 'server/src'];

/** What is started with node, each by the name of its file; and the samples and random jobs, as benches put them in. */
const programs = () => [
  ...[
    join(ROOT, 'server/src/main.ts'),
    join(ROOT, 'server/src/planning/worker.ts'),
    join(ROOT, 'server/src/papers/papersWorker.ts'),
    join(ROOT, 'server/src/testing/openDatabase.ts'),
    ...filesIn('server/src/commands'),
    join(ROOT, 'core/src/trial/trialCommand.ts'),
    join(ROOT, 'core/src/testing/digestCommand.ts'),
  ].map((file) => ({ in: file, out: basename(file, '.ts') })),
  { in: join(ROOT, 'core/src/samples/index.ts'), out: 'samples' },
  { in: join(ROOT, 'core/src/trial/index.ts'), out: 'randomJobs' },
];

/** What the bundles are made of, by size and time of each source. */
function fingerprint() {
  const hash = createHash('sha256').update(readFileSync(join(ROOT, 'package-lock.json')));
  for (const file of SOURCES.flatMap(filesIn)) {
    const { size, mtimeMs } = statSync(file);
    hash.update(`${file} ${size} ${mtimeMs}\n`);
  }
  return hash.digest('hex');
}

/** A name for the core's sources as they are: a verdict that was kept by another version of them is worked out anew. */
function nameOfCore() {
  const hash = createHash('sha256');
  for (const file of filesIn('core/src')) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex').slice(0, 16);
}

const isBundled = (wanted) => existsSync(MADE_OF) && readFileSync(MADE_OF, 'utf8') === wanted;

/** Bundles the server and the commands, unless what lies there is of these sources. */
export function ensureBundled() {
  const wanted = fingerprint();
  if (!isBundled(wanted)) alone('bundling', () => bundle(wanted));
}

/** How esbuild makes them. */
export const bundling = () => ({
  entryPoints: programs(),
  bundle: true,
  splitting: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  outdir: BUNDLES,
  outExtension: { '.js': '.mjs' },
  // Flat, as sources in server/src lie as deep: what is found from a file's own place is found from there as well.
  chunkNames: 'piece-[hash]',
  // A native module, and those that read files which lie beside them.
  external: ['better-sqlite3', 'pdfkit', 'fontkit', '@node-rs/argon2'],
  banner: {
    js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
  },
  define: { NAME_OF_CORE: JSON.stringify(nameOfCore()) },
  sourcemap: 'linked',
  logLevel: 'error',
});

function bundle(wanted) {
  if (isBundled(wanted)) return;
  const { buildSync } = createRequire(import.meta.url)('esbuild');
  rmSync(BUNDLES, { recursive: true, force: true });
  buildSync(bundling());
  writeFileSync(MADE_OF, wanted);
}

/** For test runners, before their first test. */
export default ensureBundled;
