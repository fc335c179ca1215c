/** The test of every spec: each worker has a server and samples of its own, so that several run side by side. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base } from '@playwright/test';
import { startServer, stopServer, WITH_KEY } from './server';

export const test = base.extend<object, { served: string }>({
  served: [
    async ({}, use) => {
      const { server, base: url } = await startServer(0, mkdtempSync(join(tmpdir(), 'katabasis-e2e-')));
      await use(url);
      await stopServer(server);
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  baseURL: ({ served }, use) => use(served),
  request: async ({ playwright, served }, use) => {
    const asking = await playwright.request.newContext({ baseURL: served, extraHTTPHeaders: WITH_KEY });
    await use(asking);
    await asking.dispose();
  },
});
