import { mkdtempSync } from 'node:fs';
import { createServer, request as ask } from 'node:http';
import type { AddressInfo } from 'node:net';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { test } from './lib/test';
import { startServer, stopServer } from './lib/server';

/** This machine as others on its network see it. */
const LAN = Object.values(networkInterfaces())
  .flatMap((each) => each ?? [])
  .find(({ family, internal }) => family === 'IPv4' && !internal)?.address;

test('a phone on the network is let in by the code, is named in the history, and is shut out again', async ({
  page,
  request,
}) => {
  test.skip(LAN === undefined, 'This machine has no network of its own.');
  const { server, base: here } = await startServer(0, mkdtempSync(join(tmpdir(), 'katabasis-pairing-')), {
    KATABASIS_HOST: '0.0.0.0',
  });
  const there = `http://${LAN}:${new URL(here).port}`;
  await page.goto(`${there}/job/quillfeather/plan`);
  await expect(page.getByText('This device has not been let in')).toBeVisible();
  await page.getByRole('button', { name: 'Type the code' }).click();
  await page.getByTestId('pair-code').fill('0000 0000');
  await page.getByTestId('pair-name').fill('Crew phone');
  await page.getByTestId('pair').click();
  await expect(page.getByRole('alert')).toContainText('not the code');
  await expect(page.getByTestId('pair-code')).toHaveValue('0000 0000');
  const { pairing } = (await (await request.get(`${here}/api/devices`)).json()) as {
    pairing: { code: string; addresses: { url: string }[] };
  };
  expect(pairing.addresses.map(({ url }) => url)).toContain(there);
  // As scanned: the code comes behind the address.
  await page.goto(`${there}/pair#${pairing.code.replace(' ', '')}`);
  await page.getByTestId('pair-name').fill('Crew phone');
  await page.getByTestId('pair').click();
  await page.getByRole('link', { name: /^Quillfeather/ }).click();
  await page.getByTestId('fix-outOfFall').click();
  const by = async (): Promise<string[]> =>
    (
      (await (await request.get(`${here}/api/jobs/quillfeather/history`)).json()) as { changes: { by: string }[] }
    ).changes.map((change) => change.by);
  await expect.poll(by).toEqual(['Crew phone']);
  const { devices } = (await (await request.get(`${here}/api/devices`)).json()) as { devices: { id: string }[] };
  expect((await request.delete(`${here}/api/devices/${devices[0]!.id}`)).status()).toBe(204);
  await page.getByTestId('fix-capacityExceeded').click();
  // What is made now is kept on the phone, and said so.
  await expect(page.getByRole('status')).toContainText('This device has not been let in.');
  await expect(page.getByRole('status')).toContainText('kept on this device');
  expect(await by()).toEqual(['Crew phone']);
  await stopServer(server);
});

test('through a proxy on the same machine that says nothing of whom it asks for, a page is a stranger’s', async ({
  page,
  served,
}) => {
  const { port, host } = new URL(served);
  const proxy = createServer((request, response) => {
    const { method, url, headers } = request;
    const on = ask({ port, host: '127.0.0.1', method, path: url, headers: { ...headers, host } }, (answer) => {
      response.writeHead(answer.statusCode!, answer.headers);
      answer.pipe(response);
    });
    request.pipe(on);
  });
  await new Promise<void>((done) => proxy.listen(0, '127.0.0.1', done));
  await page.goto(`http://localhost:${(proxy.address() as AddressInfo).port}/job/quillfeather/plan`);
  await expect(page.getByText('This device has not been let in')).toBeVisible();
  await page.goto(`${served}/job/quillfeather/plan`);
  await expect(page.getByTestId('verdict')).toBeVisible();
  proxy.closeAllConnections();
  await new Promise((done) => proxy.close(done));
});
