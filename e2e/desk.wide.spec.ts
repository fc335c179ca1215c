/** A desk is used for what a phone has no room for: the plan beside the list, and the list beside the plan. */
import { expect } from '@playwright/test';
import { test } from './lib/test';

test('what a line of parts, price or digging is for is marked on the plan beside it', async ({ page }) => {
  await page.goto('/job/quillfeather/build?at=~part');
  const beside = page.getByTestId('plan-beside');
  await expect(beside).toContainText('Point at a line');
  await page.getByTestId('part-cleanoutCap').hover();
  await expect(beside).toContainText('Cleanout 1');
  await page.goto('/job/quillfeather/build?at=~price');
  await page.getByTestId('price-channelSet').hover();
  await expect(beside).toContainText('Kennel door drain');
  // The dig sheet begins with its line marked, and a rod where the station is.
  await page.goto('/job/quillfeather/build?at=~dig');
  await expect(beside).toContainText('Wye 2 to Roadside swale');
  const spot = beside.getByTestId('spot');
  const foot = (await spot.boundingBox())!;
  await page.getByTestId('dig-station').nth(5).hover();
  await expect.poll(async () => (await spot.boundingBox())!.x).toBeGreaterThan(foot.x + 20);
});

test('the yard is one station: its list stands beside its plan, and the view used last is the one it opens in', async ({
  page,
}) => {
  await page.goto('/job/quillfeather/plan');
  await page.getByRole('link', { name: 'Yard', exact: true }).click();
  await expect(page).toHaveURL(/\/yard$/);
  await page.getByTestId('item-parking').click();
  await expect(page.getByRole('heading', { name: 'Customer parking', level: 2 })).toBeVisible();
  await page.getByTestId('view-walk').click();
  await expect(page).toHaveURL(/\/walk$/);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.reload();
  await page.getByRole('link', { name: 'Yard', exact: true }).click();
  await expect(page).toHaveURL(/\/walk$/);
});
