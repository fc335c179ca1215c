import { expect } from '@playwright/test';
import { LAN, phoneOf, serveOnLan } from './lib/people';
import { stopServer } from './lib/server';
import { test } from './lib/test';

/** A day as it is written, so many days from today. */
function day(from: number): string {
  const at = new Date();
  at.setDate(at.getDate() + from);
  return [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
}

test('a job given on days is the crew’s first line; what they ask is answered, and both are told', async ({
  page,
  browser,
}) => {
  test.skip(LAN === undefined, 'This machine has no network of its own.');
  const { server, base: here } = await serveOnLan('together');
  const { phone, base } = await phoneOf(browser, here, { name: 'Ines Halloran', role: 'crew', everywhere: false });
  await expect(phone.getByText('No jobs yet')).toBeVisible();
  // The office gives the job, and says from when to when.
  await page.goto(`${here}/job/quillfeather/build?at=~days`);
  await page.getByTestId('give-to-Ines Halloran').click();
  const crew = page.getByTestId('crew-of-job');
  // On a slow network the second day is typed while the first is on its way.
  await page.route('**/crew/*', async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue();
  });
  await crew.getByRole('button', { name: 'Days of Ines Halloran' }).click();
  await crew.getByRole('textbox', { name: 'Ines Halloran from' }).fill(day(-1));
  await crew.getByRole('textbox', { name: 'Ines Halloran from' }).press('Enter');
  await crew.getByRole('textbox', { name: 'Ines Halloran to' }).fill(day(1));
  await crew.getByRole('textbox', { name: 'Ines Halloran to' }).press('Enter');
  // The phone hears of it by itself.
  const today = phone.getByTestId('today');
  await expect(today.getByRole('link', { name: /^Quillfeather.*, Day 2 of 3/ })).toBeVisible();
  await expect(today.getByText(/^Mine today/)).toBeVisible();
  // Cut off and opened again it stands there still.
  await phone.waitForTimeout(800);
  await phone.context().setOffline(true);
  await phone.reload().catch(() => undefined);
  await phone.context().setOffline(false);
  await phone.goto(base);
  await today.getByRole('link', { name: /^Quillfeather/ }).click();
  await expect(phone.getByText('Ines Halloran (you)')).toBeVisible();
  await expect(phone.getByRole('button', { name: /Days of/ })).toHaveCount(0);
  await expect(page.getByTestId('others-here')).toHaveText('Ines Halloran has this job open too.', { timeout: 40_000 });
  // She asks at the basin.
  await phone.goto(`${base}/job/quillfeather/walk?at=basin`);
  await phone.getByTestId('note-text').fill('Is the gas line by the basin live?');
  await phone.getByRole('radio', { name: 'A question' }).click();
  await phone.getByTestId('keep-note').click();
  await expect(phone.getByText(/A question · .*Ines Halloran/)).toBeVisible();
  await page.goto(`${here}/news`);
  await expect(page.getByText('Ines Halloran asks at', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: /^Ines Halloran asks at/ }).click();
  await page.getByRole('textbox', { name: 'Answer it' }).fill('Shut off since May. Hand dig all the same.');
  await page.getByTestId('send-answer').click();
  await expect(phone.getByText('Shut off since May. Hand dig all the same.')).toBeVisible();
  await phone.getByTestId('done-with').click();
  await expect(phone.getByText(/Done with/)).toBeVisible();
  await phone.goto(base);
  await expect(today.getByTestId('news')).toHaveText('News: 2 not read');
  await today.getByTestId('news').click();
  await expect(phone.getByText(/answers “Is the gas line by the basin live\?”/)).toBeVisible();
  await phone.getByRole('button', { name: 'All jobs' }).click();
  await expect(today.getByTestId('news')).toHaveText('News');
  await phone.context().close();
  await stopServer(server);
});
