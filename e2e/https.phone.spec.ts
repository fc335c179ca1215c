import { spawn, type ChildProcess } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type BrowserContext } from '@playwright/test';
import CHROMIUM_ARGS from '../scripts/lib/chromium.json';
import { waiting } from './lib/jobs';
import { KEY, WITH_KEY } from './lib/server';
import { test } from './lib/test';

const ROOT = join(__dirname, '..');
const CADDY = process.env.KATABASIS_CADDY ?? '/usr/bin/caddy';
/** This machine as others on its network see it. */
const LAN = Object.values(networkInterfaces())
  .flatMap((each) => each ?? [])
  .find(({ family, internal }) => family === 'IPv4' && !internal)?.address;

const doors: ChildProcess[] = [];
// Also after a test that failed.
test.afterEach(() => doors.forEach((door) => door.kill('SIGTERM')));

/** Serves by https on this network, until it answers there. */
async function serve(data: string, port: number): Promise<{ door: ChildProcess; root: string }> {
  const door = spawn(process.execPath, [join(ROOT, 'scripts/serve.mjs'), '--lan'], {
    cwd: ROOT,
    env: {
      ...process.env,
      KATABASIS_CADDY: CADDY,
      KATABASIS_DATA: data,
      KATABASIS_SAMPLES: 'keep',
      KATABASIS_KEY: KEY,
      KATABASIS_PORT: String(port),
      KATABASIS_HTTPS_PORT: String(port + 1),
    },
    stdio: 'ignore',
  });
  doors.push(door);
  const root = join(data, 'caddy', 'pki', 'authorities', 'local', 'root.crt');
  await expect.poll(() => existsSync(root) && existsSync(join(data, 'demo.sqlite'))).toBe(true);
  return { door, root };
}

const ended = (door: ChildProcess): Promise<number | null> =>
  new Promise((done) => {
    door.once('exit', (code) => done(code));
    door.kill('SIGTERM');
  });

/** A phone that took the root: it believes its certificates, and none that another made. A browser without settings is told by what the root signed. */
function phoneWith(root: string): Promise<BrowserContext> {
  const signed = new X509Certificate(readFileSync(root.replace('root.crt', 'intermediate.crt')));
  expect(signed.verify(new X509Certificate(readFileSync(root)).publicKey)).toBe(true);
  const key = signed.publicKey.export({ type: 'spki', format: 'der' });
  const pin = createHash('sha256').update(key).digest('base64');
  return chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'katabasis-phone-')), {
    executablePath: process.env.KATABASIS_CHROMIUM ?? '/usr/bin/chromium',
    args: [...CHROMIUM_ARGS, `--ignore-certificate-errors-spki-list=${pin}`],
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'allow',
  });
}

test('by https on a network a phone keeps the application, works cut off from the server, and comes back', async ({
  request,
}) => {
  test.skip(LAN === undefined || !existsSync(CADDY), 'It needs a network and Caddy.');
  const data = mkdtempSync(join(tmpdir(), 'katabasis-https-'));
  const port = 20_000 + 2 * (process.pid % 10_000);
  const { door, root } = await serve(data, port);
  const plain = `http://127.0.0.1:${port}`;
  const there = `https://${LAN}:${port + 1}`;
  // By plain http it says what it cannot do, and where to go; the way to the certificate stands open by plain http, and gives its certificate, not its key.
  expect(await (await request.get(`${plain}/trust`)).text()).toContain('Take the certificate');
  expect(await (await request.get(`${plain}/root.crt`)).text()).toBe(readFileSync(root, 'utf8'));
  const phone = await phoneWith(root);
  const page = phone.pages()[0]!;
  await expect
    .poll(() =>
      page.goto(`${there}/`).then(
        (answer) => answer!.status(),
        () => 0,
      ),
    )
    .toBe(200);
  await expect(page.getByText('This device has not been let in')).toBeVisible();
  const { pairing } = (await (await request.get(`${plain}/api/devices`, { headers: WITH_KEY })).json()) as {
    pairing: { code: string; addresses: { url: string }[] };
  };
  expect(pairing.addresses[0]!.url).toBe(there);
  await page.goto(`${there}/pair#${pairing.code.replace(' ', '')}`);
  await page.getByTestId('pair-name').fill('Yard phone');
  await page.getByTestId('pair').click();
  await page.getByRole('link', { name: /^Quillfeather/ }).click();
  await expect(page.getByTestId('verdict')).toBeVisible();
  const [cookie] = await phone.cookies(there);
  expect([cookie!.secure, cookie!.httpOnly, cookie!.sameSite]).toEqual([true, true, 'Strict']);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await page.waitForTimeout(1000);
  // Told to stop, both go, and say so with a good end.
  expect(await ended(door)).toBe(0);
  await page.reload();
  await page.getByTestId('fix-outOfFall').click();
  await expect.poll(() => waiting(page, 'quillfeather')).toBe(1);
  const again = await serve(data, port);
  await page.reload();
  await expect.poll(() => waiting(page, 'quillfeather')).toBe(0);
  const { changes } = (await (
    await request.get(`${plain}/api/jobs/quillfeather/history`, { headers: WITH_KEY })
  ).json()) as { changes: { by: string }[] };
  expect(changes.map(({ by }) => by)).toEqual(['Yard phone']);
  await phone.close();
  await ended(again.door);
});
