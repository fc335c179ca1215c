// Finishes the built application: what the first screen will ask for is fetched with the page, files are packed once and for all, and
// the service worker keeps all of them on the device, so that it opens with no server at all.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { generateSW } from 'workbox-build';
import { ROOT } from './run.mjs';

const DIST = join(ROOT, 'client', 'dist');
const SCRIPTS = '_expo/static/js/web';
/** What comes after the list of jobs, as `client/src/rest.ts` gathers it. */
const REST = /^rest-.*\.js$/;

/**
 * The list itself is asked for along with the scripts. Which script the rest is stands in the page as well: the server has it fetched
 * with the first where a job is opened directly.
 */
function fetchAhead() {
  const page = join(DIST, 'index.html');
  const [rest] = readdirSync(join(DIST, SCRIPTS)).filter((name) => REST.test(name));
  const links = [
    '<link rel="preload" as="fetch" href="/api/jobs" crossorigin="anonymous">',
    `<link rel="alternate" as="script" href="/${SCRIPTS}/${rest}">`,
  ];
  writeFileSync(page, readFileSync(page, 'utf8').replace('</head>', `${links.join('')}</head>`));
}

/** Scripts and pages beside themselves in the two encodings that browsers take: nothing is packed while somebody waits. */
function pack(folder = DIST) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) pack(path);
    else if (/\.(js|json)$/.test(entry.name)) {
      const plain = readFileSync(path);
      writeFileSync(`${path}.gz`, gzipSync(plain, { level: 9 }));
      writeFileSync(
        `${path}.br`,
        brotliCompressSync(plain, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: plain.length } }),
      );
    }
  }
}

fetchAhead();
const { count, size, warnings } = await generateSW({
  globDirectory: DIST,
  globPatterns: ['**/*.{html,js,woff2,png,ico}'],
  swDest: join(DIST, 'sw.js'),
  // Names with a hash in them say which version they are.
  dontCacheBustURLsMatching: /_expo\/static\/|\.[0-9a-f]{32}\./,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/(api|s)\//i],
  maximumFileSizeToCacheInBytes: 8_000_000,
  // A newer version waits until the user takes it.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  inlineWorkboxRuntime: true,
  sourcemap: false,
});
pack();
for (const warning of warnings) console.error(warning);
console.error(`kept on the device: ${count} files, ${(size / 1e6).toFixed(1)} MB`);
