import { expect } from '@playwright/test';
import { test } from './lib/test';

test('can be worked from the keyboard alone', async ({ page }) => {
  await page.goto('/job/quillfeather/plan');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/\/yard/);
  await page.keyboard.press('2');
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
  for (const name of ['Yard', 'Plan', 'All jobs', 'Job settings', 'Plan 11 in of cover, not 12 in'])
    expect([...reached]).toContain(name);
});

test('the ground plan is worked from the keyboard too: Escape ends one thing at a time, and keys move the plan', async ({
  page,
}) => {
  await page.goto('/job/quillfeather/plan');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/\/yard$/);
  await page.getByTestId('yard-says').click();
  await expect(page.getByRole('heading', { name: 'What the ground says' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/yard$/);
  await page.keyboard.press('l');
  await expect(page.getByText('Tap where the water is')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/yard$/);
  const plan = page.getByTestId('ground-plan');
  await plan.focus();
  const letter = async (): Promise<{ x: number; y: number }> =>
    (await plan.getByText('G', { exact: true }).boundingBox())!;
  const before = await letter();
  await page.keyboard.press('ArrowRight');
  expect((await letter()).x).toBeCloseTo(before.x - 60, 0);
  await page.keyboard.press('+');
  await page.keyboard.press('0');
  expect((await letter()).x).toBeCloseTo(before.x, 0);
  // A tap on the plan chooses, and what is chosen is in the address.
  const words = (await plan.getByText('Lawn basin', { exact: true }).boundingBox())!;
  await page.mouse.click(words.x - 16, words.y + 8);
  await expect(page).toHaveURL(/at=(basin|wetLawn|lawnSoil|runBasin|runKennel|levelLawn)/);
});
