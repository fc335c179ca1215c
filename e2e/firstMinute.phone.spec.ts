/** The first minute of somebody who has nothing yet: a sample looked round by doing, and taken back. */
import { expect } from '@playwright/test';
import { lookedAt } from './lib/jobs';
import { test } from './lib/test';

test('an empty start offers a sample, and a look round it that goes on by doing', async ({ page }) => {
  await page.route(/\/api\/jobs\?|\/api\/jobs$/, (route) =>
    route.request().method() === 'GET' ? route.fulfill({ json: { jobs: [], total: 0, next: null } }) : route.continue(),
  );
  await page.goto('/');
  await page.getByTestId('look-round-sample').tap();
  const round = page.getByTestId('look-round');
  await expect(round).toContainText('1 of 6');
  await page.getByTestId('verdict').tap();
  await expect(round).toContainText('2 of 6');
  await page.getByRole('button', { name: 'Close' }).first().tap();
  await lookedAt(page);
  await page.getByTestId('fix-outOfFall').tap();
  await expect(round).toContainText('3 of 6');
  // A reload goes on where it was; a step may be passed over.
  await page.reload();
  await expect(round).toContainText('3 of 6');
  await round.getByRole('button', { name: 'Next' }).tap();
  await page.getByRole('link', { name: 'Storm' }).tap();
  await expect(round).toContainText('5 of 6');
  await page.getByRole('link', { name: 'Build' }).tap();
  await page.getByTestId('page-price').tap();
  await expect(round).toContainText('6 of 6');
  await page.getByTestId('undo').tap();
  await expect(round).toContainText('That is the round.');
  await round.getByRole('button', { name: 'Done' }).tap();
  await expect(round).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId('verdict')).toBeVisible();
  await expect(round).toHaveCount(0);
});

test('a job that is begun stays open when the server takes it in late, and nobody tells of it', async ({ page }) => {
  await page.route(/\/api\/events/, (route) => route.abort());
  let takeIn = (): void => undefined;
  const late = new Promise<void>((resolve) => (takeIn = resolve));
  await page.route(/\/api\/jobs$/, async (route) => {
    const isList = route.request().method() === 'GET';
    if (isList) return route.fulfill({ json: { jobs: [], total: 0, next: null } });
    await late;
    return route.continue();
  });
  const notThere = page.waitForResponse((answer) => /\/api\/jobs\/j-/.test(answer.url()) && answer.status() === 404);
  await page.goto('/');
  await page.getByTestId('look-round-sample').tap();
  await notThere;
  const takenIn = page.waitForResponse((answer) => answer.request().method() === 'POST' && answer.status() === 201);
  takeIn();
  await takenIn;
  await expect(page.getByTestId('verdict')).toBeVisible();
  // Nothing is to come: what would take the page away has had its time.
  await page.waitForTimeout(1_000);
  await expect(page.getByText('This job is not here')).toHaveCount(0);
  await expect(page.getByTestId('verdict')).toBeVisible();
});
