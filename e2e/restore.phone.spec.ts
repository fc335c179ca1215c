import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { test } from './lib/test';
import { kept, saved } from './lib/jobs';
import { startServer, stopServer } from './lib/server';

test('a server put back from a backup gets what it lost from the phone, and asks where both went on', async ({
  page,
  request,
}) => {
  const data = mkdtempSync(join(tmpdir(), 'katabasis-restore-'));
  const all = join(data, 'all.sqlite');
  const command = (name: string): void =>
    void execFileSync(process.execPath, [join('server/dist', `${name}.mjs`), all], {
      env: { ...process.env, KATABASIS_DATA: data, KATABASIS_SAMPLES: 'keep' },
    });
  const first = await startServer(0, data);
  const { base } = first;
  // What is asked of the server beside the page goes to this one.
  const here = new Proxy(request, {
    get: (of, way: 'get') => (path: string, more?: object) => of[way](`${base}${path}`, more),
  });
  await page.goto(`${base}/job/quillfeather/plan`);
  await expect(page.getByTestId('verdict')).toBeVisible();
  command('backup');
  await page.getByTestId('fix-outOfFall').click();
  await saved(page, 'quillfeather');
  expect((await kept(here, 'quillfeather')).trunkLower).toMatchObject({ material: 'doubleWall' });
  await page.goto(`${base}/job/quillfeather/walk?at=wye2`);
  const field = page.getByRole('textbox', { name: 'Name' });
  await field.fill('My wye');
  await field.press('Enter');
  await saved(page, 'quillfeather');
  await stopServer(first.server);
  command('restore');
  const { server } = await startServer(Number(new URL(base).port), data);
  expect((await kept(here, 'quillfeather')).wye2).toMatchObject({ name: 'Wye 2' });
  const element = { id: 'wye2', kind: 'junction', form: 'wye', name: 'Wye one', groundLevel: -0.27 };
  const body = { change: 'other-device-one', label: 'Name it', puts: [{ base: 1, element }], removes: [] };
  expect((await here.post('/api/jobs/quillfeather/changes', { data: body })).ok()).toBe(true);
  // The phone hears that the server is back, and lays what it knows beside it.
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('Wye one, name: yours “My wye”, theirs “Wye one”');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page, 'quillfeather');
  expect(await kept(here, 'quillfeather')).toMatchObject({
    wye2: { name: 'My wye' },
    trunkLower: { material: 'doubleWall' },
  });
  await stopServer(server);
});

test('a device that is full says so with its true reason, and nothing says that it is kept', async ({
  page,
  request,
  served: origin,
}) => {
  const browser = await page.context().newCDPSession(page);
  await browser.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: 20_000_000 });
  await page.goto('/job/quillfeather/walk?at=wye2');
  const field = page.getByRole('textbox', { name: 'Name' });
  await expect(field).toHaveValue('Wye 2');
  const before = (await kept(request, 'quillfeather')).wye2;
  await page.route('**/api/**', (route) => route.abort());
  // Others of the device's pages fill what is left, until the browser says no.
  const name = await page.evaluate(
    () =>
      new Promise<string>((done, fail) => {
        const opening = indexedDB.open('katabasis');
        opening.onerror = () => fail(opening.error);
        opening.onsuccess = () => {
          // What says nothing twice, as alike bytes are pressed; smaller and smaller, until there is no room for anything.
          const put = (k: number, size: number): void => {
            const tx = opening.result.transaction('answers', 'readwrite');
            tx.objectStore('answers').put(crypto.getRandomValues(new Uint8Array(size)), `filler${k}`);
            tx.onabort = () => {
              if (size > 64) return put(k, size / 2);
              opening.result.close();
              done(tx.error?.name ?? 'none');
            };
            tx.oncomplete = () => (k < 2000 ? put(k + 1, size) : done('there is room without end'));
          };
          put(0, 65_536);
        };
      }),
  );
  expect(name).toBe('QuotaExceededError');
  await field.fill('No room for this');
  await field.press('Enter');
  await expect(page.getByRole('status')).toContainText(
    'One change is held on this page only, as this device has no room left: keep it open until it is sent.',
  );
  await expect(page.getByText('kept on this device')).toHaveCount(0);
  await browser.send('Storage.overrideQuotaForOrigin', { origin });
  await page.unroute('**/api/**');
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByRole('status')).toHaveCount(0);
  expect((await kept(request, 'quillfeather')).wye2).toMatchObject({ name: 'No room for this' });
  // As it was, for the others.
  await field.fill((before as { name: string }).name);
  await field.press('Enter');
  await expect.poll(async () => (await kept(request, 'quillfeather')).wye2).toEqual(before);
});
