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
