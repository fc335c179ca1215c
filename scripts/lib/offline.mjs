// Writes the service worker of the built application: all of its files are kept on the device, so that it opens with no server at all.
import { join } from 'node:path';
import { generateSW } from 'workbox-build';
import { ROOT } from './run.mjs';

const DIST = join(ROOT, 'client', 'dist');

const { count, size, warnings } = await generateSW({
  globDirectory: DIST,
  globPatterns: ['**/*.{html,js,woff2,png,ico}'],
  swDest: join(DIST, 'sw.js'),
  // Names with a hash in them say which version they are.
  dontCacheBustURLsMatching: /_expo\/static\/|\.[0-9a-f]{32}\./,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//i],
  maximumFileSizeToCacheInBytes: 8_000_000,
  // A newer version waits until the user takes it.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  inlineWorkboxRuntime: true,
  sourcemap: false,
});
for (const warning of warnings) console.error(warning);
console.error(`kept on the device: ${count} files, ${(size / 1e6).toFixed(1)} MB`);
