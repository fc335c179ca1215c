// For working on it: the server with the samples, restarted on change, and the web application with hot reload on port 8081.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { bundling } from './lib/bundle.mjs';
import { binPath, BUNDLES, ROOT } from './lib/run.mjs';
import { attempt, ensureInstalled } from './lib/setup.mjs';

attempt(() => ensureInstalled());
const { context } = await import('esbuild');
const bundles = await context(bundling());
await bundles.rebuild();
await bundles.watch();
// Of the machine itself, as the pages that come from the other of the two show it on.
const KATABASIS_KEY = randomUUID();
const env = { ...process.env, KATABASIS_KEY, KATABASIS_SAMPLES: 'keep', KATABASIS_DATA: join(ROOT, 'data', 'dev') };
const server = spawn(process.execPath, ['--watch', join(BUNDLES, 'main.mjs')], { cwd: ROOT, env, stdio: 'inherit' });
const client = spawn(process.execPath, [binPath('expo'), 'start', '--web', '--port', '8081'], {
  cwd: join(ROOT, 'client'),
  env: { ...process.env, KATABASIS_KEY, EXPO_OFFLINE: '1', BROWSER: 'none' },
  stdio: 'inherit',
});
const stop = () => {
  server.kill();
  client.kill();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
