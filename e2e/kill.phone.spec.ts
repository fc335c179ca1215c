import { expect, type BrowserContext, type Page } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, waiting } from './lib/jobs';

const ROUNDS = 12;

/** Kills a page's renderer, as a phone does that wants its memory back: nothing more runs in it. */
async function kill(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  const gone = page.waitForEvent('crash');
  void session.send('Page.crash').catch(() => undefined);
  await gone;
}

async function open(context: BrowserContext, path: string): Promise<Page> {
  const page = await context.newPage();
  await page.route('**/api/**', (route) => route.abort());
  await page.goto(path);
  return page;
}

test('what was shown is there again, at whatever moment the tab is killed', async ({ context, request }) => {
  const job = await copyOfSample(request);
  // Read once while the server answers, then out in the yard.
  const first = await context.newPage();
  await first.goto(`/job/${job}/plan`);
  await expect(first.getByTestId('verdict')).toBeVisible();
  await first.close();
  for (let round = 1; round <= ROUNDS; round++) {
    const page = await open(context, `/job/${job}/walk?at=wye2`);
    const box = page.getByRole('textbox', { name: 'Name' });
    if (round > 1) await expect(box).toHaveValue(`Wye, round ${round - 1}`);
    await box.fill(`Wye, round ${round}`);
    // In the page itself, in the turn after the one that shows it: no round trip lies between showing and dying.
    const shown = page.getByRole('heading', { name: `Wye, round ${round}`, level: 2 });
    await box.press('Enter');
    await shown.waitFor();
    if (round % 3 === 0) await page.waitForTimeout(round);
    await kill(page);
  }
  const last = await open(context, `/job/${job}/walk?at=wye2`);
  await expect(last.getByRole('textbox', { name: 'Name' })).toHaveValue(`Wye, round ${ROUNDS}`);
  expect(await waiting(last, job)).toBe(ROUNDS);
});

test('two pages of one phone never lose each other’s changes', async ({ context, request }) => {
  const job = await copyOfSample(request);
  const pages = [await context.newPage(), await context.newPage()];
  for (const [k, page] of pages.entries()) {
    await page.goto(`/job/${job}/walk?at=wye${k + 1}`);
    await expect(page.getByRole('textbox', { name: 'Name' })).toBeVisible();
    await page.route('**/api/**', (route) => route.abort());
  }
  for (const [k, page] of pages.entries()) {
    await page.getByRole('textbox', { name: 'Name' }).fill(`From page ${k + 1}`);
    await page.getByRole('textbox', { name: 'Name' }).press('Enter');
  }
  // Each hears of the other's at once.
  await expect(pages[0]!.getByTestId('item-wye2')).toContainText('From page 2');
  await expect(pages[1]!.getByTestId('item-wye1')).toContainText('From page 1');
  expect(await waiting(pages[0]!, job)).toBe(2);
});
