/** People of a company for tests: a server that others reach, and somebody who comes in by an invitation. */
import { mkdtempSync } from 'node:fs';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Browser, type Page } from '@playwright/test';
import { startServer, WITH_KEY, type Started } from './server';

/** This machine as others on its network see it. */
export const LAN = Object.values(networkInterfaces())
  .flatMap((each) => each ?? [])
  .find(({ family, internal }) => family === 'IPv4' && !internal)?.address;
export const PASSWORD = 'four wet basins here';

export const serveOnLan = (name: string, env: Record<string, string> = {}): Promise<Started> =>
  startServer(0, mkdtempSync(join(tmpdir(), `katabasis-${name}-`)), { KATABASIS_HOST: '0.0.0.0', ...env });

/** Takes an invitation up on a page. */
export async function comeIn(page: Page, link: string): Promise<void> {
  await page.goto(link);
  await page.getByTestId('join-password').fill(PASSWORD);
  await page.getByTestId('join').click();
  await expect(page.getByTestId('codes')).toBeVisible();
  await page.getByTestId('joined').click();
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
}

/** Invites somebody, who comes in on a phone of their own. */
export async function phoneOf(
  browser: Browser,
  here: string,
  asked: { name: string; role: string; everywhere: boolean },
): Promise<{ phone: Page; base: string }> {
  const reply = await fetch(`${here}/api/people/invitations`, {
    method: 'POST',
    headers: { ...WITH_KEY, 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...asked, days: 1 }),
  });
  const { link } = (await reply.json()) as { link: string };
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  await comeIn(phone, link);
  return { phone, base: link.split('/join')[0]! };
}
