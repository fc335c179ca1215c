/** Watching it rain on a yard: what is blocked is seen, the thumb goes through the storm, and everything is a tap away. */
import { expect } from '@playwright/test';
import { lookedAt } from './lib/jobs';
import { test } from './lib/test';

test('a grate is blocked, the storm is played again, and what it comes to is said', async ({ page }) => {
  await page.goto('/job/quillfeather/storm');
  const sentence = page.getByTestId('storm-sentence');
  await expect(sentence).toContainText(/^In the 10-year storm water stays .+ below the sill of /, { timeout: 30_000 });
  await expect(page.getByTestId('storm-picture')).toBeVisible();
  // It stands at the hardest of it, half an hour on.
  const time = page.getByTestId('storm-time');
  await expect(time).toHaveText(/0:3\d/);
  const lawn = page.getByRole('button', { name: /^Lawn basin: .+ deep at 0:3\d/ });
  const open = await lawn.getAttribute('aria-label');
  await page.getByRole('radio', { name: 'Lawn basin blocked', exact: true }).tap();
  await expect(sentence).toContainText('with Lawn basin blocked', { timeout: 30_000 });
  await expect(lawn).toBeVisible();
  expect(await lawn.getAttribute('aria-label')).not.toBe(open);
  // A finger on the inlet in the picture opens it again; and blocks it.
  const picture = page.getByTestId('storm-picture');
  const { width, height } = (await picture.boundingBox())!;
  await picture.tap({ position: { x: 0.78 * width, y: 0.6 * height } });
  await expect(sentence).toContainText(/^In the 10-year storm water stays/, { timeout: 30_000 });
  await page.getByTestId('storm-scrubber').press('Home');
  await expect(time).toHaveText('0:00');
  await page.getByTestId('storm-scrubber').press('PageUp');
  await expect(time).not.toHaveText('0:00');
  await page.getByTestId('storm-play').tap();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await page.getByRole('button', { name: 'Pause' }).tap();
  await page.getByRole('button', { name: /^Lawn basin: / }).tap();
  await expect(page.getByTestId('sheet')).toContainText('Lawn basin');
});

test('every failure is tried, the worst stands first and is watched by a tap', async ({ page }) => {
  test.slow();
  await page.goto('/job/quillfeather/storm');
  await expect(page.getByTestId('storm-picture')).toBeVisible({ timeout: 30_000 });
  await page.getByTestId('storm-try-all').tap();
  const tried = page.getByTestId('storm-tried');
  await expect(tried).toContainText('All 14 were tried', { timeout: 90_000 });
  const first = tried.getByRole('button').first();
  await expect(first).toContainText('In the 100-year storm with Kennel door drain blocked');
  await first.tap();
  await expect(page.getByTestId('storm-sentence')).toContainText('with Kennel door drain blocked', { timeout: 30_000 });
});

test('a longer storm onto soaked ground sinks in less', async ({ page }) => {
  await page.goto('/job/quillfeather/storm');
  const sums = page.getByText(/ sank into the ground/);
  await expect(sums).toBeVisible({ timeout: 30_000 });
  const sank = async (): Promise<number> =>
    Number(/([\d.]+)%? sank/.exec((await sums.innerText()).replaceAll(/\s/g, ' '))![1]);
  const before = await sank();
  await page.getByTestId('storm-more').tap();
  await lookedAt(page);
  await page.getByRole('radio', { name: 'Soaked', exact: true }).tap();
  await expect.poll(sank, { timeout: 30_000 }).toBeLessThan(before);
  await expect(sums).toContainText('Nothing is lost by more than a millionth.');
});
