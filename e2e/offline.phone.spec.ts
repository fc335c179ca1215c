import { cpSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { test } from './lib/test';
import { waiting } from './lib/jobs';
import { startServer, stopServer, WITH_KEY } from './lib/server';

test.use({ serviceWorkers: 'allow' });

const ROOT = join(__dirname, '..');
/** The page is in the hands of what is kept on the device. */
const isKept = (page: Page): Promise<void> =>
  expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);

/** What the device has put by of the server's answers, as text. */
const answersKept = (page: Page): Promise<string> =>
  page.evaluate(
    (store) =>
      new Promise<string>((done, failed) => {
        const asked = indexedDB.open(store);
        asked.onerror = () => failed(asked.error);
        asked.onsuccess = () => {
          const all = asked.result.transaction('answers').objectStore('answers').getAll();
          all.onsuccess = () => {
            asked.result.close();
            done(JSON.stringify(all.result));
          };
        };
      }),
    'katabasis',
  );

test('opens and works with no server at all, and sends everything once any page is open', async ({ page }) => {
  const data = mkdtempSync(join(tmpdir(), 'katabasis-offline-'));
  const first = await startServer(0, data);
  let { server } = first;
  const base = first.base;
  await page.goto(`${base}/job/quillfeather/plan`);
  await expect(page.getByTestId('verdict')).toBeVisible();
  await isKept(page);
  await page.goto(`${base}/`);
  await expect(page.getByRole('link', { name: /^Quillfeather/ })).toBeVisible();
  // What was asked for is put by on the device in an idle moment.
  await expect.poll(() => answersKept(page)).toContain('Quillfeather');
  await stopServer(server);
  await page.goto(`${base}/`);
  await page.getByRole('link', { name: /^Quillfeather/ }).click();
  await page.getByTestId('fix-outOfFall').click();
  await page.getByTestId('fix-capacityExceeded').click();
  await expect(page.getByTestId('verdict')).toContainText('Carries');
  await page.goto(`${base}/job/quillfeather/walk?at=wye2`);
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Wye 2');
  await page.goto(`${base}/`);
  await expect(page.getByText('2 changes wait on this device to be sent.')).toBeVisible();
  ({ server } = await startServer(Number(new URL(base).port), data));
  // The list is open, not the job: it is sent all the same.
  await expect.poll(() => waiting(page, 'quillfeather')).toBe(0);
  await expect(page.getByText('2 changes wait on this device to be sent.')).toHaveCount(0);
  const rows = ((await (await fetch(`${base}/api/jobs/quillfeather`, { headers: WITH_KEY })).json()) as { seq: number })
    .seq;
  expect(rows).toBe(2);
  await stopServer(server);
});

const TYPES: Record<string, string> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.woff2': 'font/woff2',
  '.ico': 'image/x-icon',
};

test('from one version to the next: told, taken when told to, nothing typed is lost', async ({ page }) => {
  const web = mkdtempSync(join(tmpdir(), 'katabasis-web-'));
  cpSync(join(ROOT, 'client/dist'), web, { recursive: true });
  const server = createServer((request, response) => {
    const path = new URL(request.url!, 'http://localhost').pathname;
    if (path.startsWith('/api/')) return response.writeHead(503).end();
    const file = extname(path) ? join(web, path) : join(web, 'index.html');
    response.writeHead(200, { 'Content-Type': TYPES[extname(file)] ?? 'text/plain', 'Cache-Control': 'no-cache' });
    response.end(readFileSync(file));
  }).listen(0);
  const base = `http://localhost:${(server.address() as AddressInfo).port}`;
  await page.goto(`${base}/new`);
  await page.getByTestId('new-name').fill('Half typed');
  await isKept(page);
  // The next version: the same application under another mark.
  const index = join(web, 'index.html');
  writeFileSync(index, readFileSync(index, 'utf8').replace('<head>', '<head><meta name="version" content="next">'));
  const worker = join(
    web,
    readdirSync(web).find((name) => name === 'sw.js')!,
  );
  writeFileSync(
    worker,
    readFileSync(worker, 'utf8')
      .replace(
        /"\/?index\.html",revision:"[0-9a-f]+"|revision:"[0-9a-f]+",url:"index\.html"|url:"index\.html",revision:"[0-9a-f]+"/,
        '"url":"index.html","revision":"00000000000000000000000000000001"',
      )
      .replace('""url"', '"url"'),
  );
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update());
  await expect(page.getByText('A newer version of Katabasis is here.')).toBeVisible();
  expect(await page.locator('meta[name=version]').count()).toBe(0);
  await page.getByTestId('newer-version').click();
  await expect(page.locator('meta[name=version]')).toHaveCount(1);
  await expect(page.getByTestId('new-name')).toHaveValue('Half typed');
  server.close();
  server.closeAllConnections();
});
