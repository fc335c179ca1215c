import { defineConfig } from '@playwright/test';
import CHROMIUM_ARGS from './scripts/lib/chromium.json';

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './scripts/lib/bundle.mjs',
  // Each worker has a server and samples of its own; tests that change a sample make their own copy of it first.
  workers: 2,
  fullyParallel: true,
  // Tests wait for what is seen. These only end one that never comes to it, however slow the machine.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  reporter: [['line'], ...(process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['json'] as ['json']] : [])],
  use: {
    launchOptions: {
      executablePath: process.env.KATABASIS_CHROMIUM ?? '/usr/bin/chromium',
      // Among them: letters unhinted, as wide as on a phone's fine screen.
      args: CHROMIUM_ARGS,
    },
    trace: 'off',
    // Pages come from the server that is under test, not from what an earlier test left on the device; one spec is about that.
    serviceWorkers: 'block',
  },
  projects: [
    { name: 'phone', testIgnore: /\.wide\.spec/, use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    // What a wide screen lays out otherwise: keys, the stations side by side, sheets beside the plan.
    {
      name: 'wide',
      testMatch: /\.wide\.spec|(access|sample)\.spec/,
      use: { viewport: { width: 1280, height: 800 } },
    },
  ],
});
