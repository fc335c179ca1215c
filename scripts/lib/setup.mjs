/** What a command needs before it starts: packages, the built web application, a browser. Each is made only when it is missing or stale. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { gzipSync } from 'node:zlib';
import { alone } from './alone.mjs';
import { ROOT, run, runBin } from './run.mjs';

const INSTALLED = join(ROOT, 'node_modules', '.katabasis-installed');
const DIST = join(ROOT, 'client', 'dist');
const BUILT = join(ROOT, 'client', '.expo', 'built.json');

function checkNode() {
  const major = Number(process.versions.node.split('.')[0]);
  if (major < 20) throw new Error(`Katabasis needs Node.js 20 or newer, and this is ${process.versions.node}.`);
}

/** Installs the packages of the lock file, unless they are. */
export function ensureInstalled() {
  checkNode();
  if (!isInstalled()) alone('installing', install);
}

const wantedPackages = () =>
  createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .update(process.versions.modules)
    .digest('hex');
const isInstalled = () => existsSync(INSTALLED) && readFileSync(INSTALLED, 'utf8') === wantedPackages();

function install() {
  // Somebody else may have done it while we waited.
  if (isInstalled()) return;
  console.error('Installing packages. This takes some minutes the first time.');
  if (run('npm', ['ci', '--no-audit', '--no-fund'], { quiet: true }) !== 0)
    throw new Error('The packages could not be installed.');
  writeFileSync(INSTALLED, wantedPackages());
}

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesBelow(path);
    else if (!entry.name.includes('.test.')) yield path;
  }
}

function sourceHash() {
  const hash = createHash('sha256');
  const files = [
    ...filesBelow(join(ROOT, 'core', 'src')),
    ...filesBelow(join(ROOT, 'client', 'src')),
    ...filesBelow(join(ROOT, 'client', 'public')),
    ...filesBelow(join(ROOT, 'client', 'assets')),
    ...['app.json', 'babel.config.js', 'metro.config.js', 'package.json'].map((name) => join(ROOT, 'client', name)),
    join(ROOT, 'package-lock.json'),
    join(ROOT, 'scripts', 'lib', 'finish.mjs'),
  ];
  for (const file of files) hash.update(relative(ROOT, file)).update(readFileSync(file));
  return hash.digest('hex');
}

/** Most that the first screen's scripts may weigh, bytes after gzip. */
const SCRIPT_BUDGET = 285 * 1000;

/** Builds the web application, unless what is built is of these sources. `force` builds it anyway. */
export function ensureBuilt({ force = false } = {}) {
  mkdirSync(join(ROOT, 'client', 'public'), { recursive: true });
  const wanted = sourceHash();
  if (force || !isBuilt(wanted)) alone('building', () => build(wanted, force));
}

const isBuilt = (wanted) =>
  existsSync(BUILT) &&
  existsSync(join(DIST, 'index.html')) &&
  JSON.parse(readFileSync(BUILT, 'utf8')).sources === wanted;

function build(wanted, force) {
  if (!force && isBuilt(wanted)) return;
  console.error('Building the web application. This takes about a minute.');
  rmSync(DIST, { recursive: true, force: true });
  const code = runBin('expo', ['export', '-p', 'web', '--max-workers', '2'], {
    quiet: true,
    cwd: join(ROOT, 'client'),
    env: { EXPO_OFFLINE: '1', CI: '1', EXPO_NO_TELEMETRY: '1' },
  });
  if (code !== 0 || run(process.execPath, [join(ROOT, 'scripts', 'lib', 'finish.mjs')], { quiet: true }) !== 0)
    throw new Error('The web application could not be built.');
  reportSizes();
  mkdirSync(join(ROOT, 'client', '.expo'), { recursive: true });
  writeFileSync(BUILT, JSON.stringify({ sources: wanted }));
}

function reportSizes() {
  let total = 0;
  const page = readFileSync(join(DIST, 'index.html'), 'utf8');
  for (const file of filesBelow(DIST)) {
    if (!/\.(js|woff2)$/.test(file)) continue;
    const raw = statSync(file).size;
    const packed = file.endsWith('.js') ? gzipSync(readFileSync(file), { level: 9 }).length : raw;
    // What comes after the list is named in the page, but not fetched with it.
    if (page.includes(`src="/${relative(DIST, file)}"`)) total += packed;
    console.error(`${relative(DIST, file)}  raw ${(raw / 1000).toFixed(0)} kB  gzip ${(packed / 1000).toFixed(0)} kB`);
  }
  console.error(
    `scripts of the first screen: ${(total / 1000).toFixed(0)} kB gzip, at most ${SCRIPT_BUDGET / 1000} kB`,
  );
  if (total > SCRIPT_BUDGET) throw new Error('The scripts of the first screen weigh more than their budget.');
}

const SHELL = '/usr/bin/chromium-headless-shell';
const BROWSERS = [
  process.env.KATABASIS_CHROMIUM,
  SHELL,
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
];

/** Path of a Chromium for the end-to-end tests; installs Debian's, the one without windows, when there is none and we may. */
export function ensureChromium() {
  const found = BROWSERS.find((path) => path && existsSync(path));
  if (found) return found;
  const install =
    'apt-get update && apt-get install -y --no-install-recommends chromium-headless-shell fonts-liberation';
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get'))
    throw new Error(`The end-to-end tests need Chromium. Install it with:  sudo sh -c '${install}'`);
  console.error('Installing Chromium.');
  if (
    run('sh', ['-c', install], { quiet: true, env: { DEBIAN_FRONTEND: 'noninteractive' } }) !== 0 ||
    !existsSync(SHELL)
  )
    throw new Error('Chromium could not be installed.');
  return SHELL;
}

const CADDY = '/usr/bin/caddy';

/** Path of Caddy for the tests over https; Debian's is put in where it is missing and we may. Null where it cannot be had. */
export function ensureCaddy() {
  if (existsSync(CADDY)) return CADDY;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) return null;
  console.error('Installing Caddy.');
  run('sh', ['-c', 'apt-get update && apt-get install -y --no-install-recommends caddy'], {
    quiet: true,
    env: { DEBIAN_FRONTEND: 'noninteractive' },
  });
  return existsSync(CADDY) ? CADDY : null;
}

/** Runs a command's steps; a step that cannot be done ends it with one readable line. */
export function attempt(steps) {
  try {
    steps();
  } catch (error) {
    console.error(error.message);
    process.exit(1);
  }
}
