import { expect, test } from '@playwright/test';

test('can be worked from the keyboard alone', async ({ page }) => {
  await page.goto('/job/quillfeather/plan');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/\/walk/);
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/plan/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(page).toHaveURL(/at=runEntrance/);
  await page.keyboard.press('Escape');
  await expect(page).not.toHaveURL(/at=/);
  await page.keyboard.press('/');
  await page.keyboard.type('lawn bas');
  await page.getByRole('button', { name: 'Lawn basin', exact: true }).press('Enter');
  await expect(page).toHaveURL(/at=basin/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('region', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  // By Tab alone, every control of the head, the stations and the first snag is reached.
  const reached = new Set<string>();
  for (let k = 0; k < 120; k++) {
    await page.keyboard.press('Tab');
    reached.add(
      await page.evaluate(() => (document.activeElement?.getAttribute('aria-label') ?? '').replaceAll('\u00a0', ' ')),
    );
  }
  for (const name of ['Walk', 'Plan', 'All jobs', 'Job settings', 'Plan 11 in of cover, not 12 in'])
    expect([...reached]).toContain(name);
});
