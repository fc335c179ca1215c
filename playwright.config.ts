import { defineConfig } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import CHROMIUM_ARGS from './scripts/lib/chromium.json';

const PORT = 4899;
/** A database of this run's own. Workers read this file as well; only the first makes the folder. */
process.env.KATABASIS_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'katabasis-e2e-'));

export default defineConfig({
  testDir: 'e2e',
  // One server and one set of samples: tests that change the sample make their own copy of it first.
  workers: 1,
  fullyParallel: false,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [['line'], ...(process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['json'] as ['json']] : [])],
  use: {
    baseURL: `http://localhost:${PORT}`,
    launchOptions: {
      executablePath: process.env.KATABASIS_CHROMIUM ?? '/usr/bin/chromium',
      args: CHROMIUM_ARGS,
    },
    trace: 'off',
    // Pages come from the server that is under test, not from what an earlier test left on the device; one spec is about that.
    serviceWorkers: 'block',
  },
  projects: [
    // Fingers are on the phone and keys at the wide screen; all else is driven on both.
    { name: 'phone', testIgnore: /\.wide\.spec/, use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    { name: 'wide', testIgnore: /\.phone\.spec/, use: { viewport: { width: 1280, height: 800 } } },
  ],
  webServer: {
    command: 'node --import tsx server/src/main.ts',
    url: `http://localhost:${PORT}/api/health`,
    env: { KATABASIS_PORT: String(PORT), KATABASIS_SAMPLES: 'keep', KATABASIS_DATA: process.env.KATABASIS_E2E_DATA },
    reuseExistingServer: false,
  },
});
