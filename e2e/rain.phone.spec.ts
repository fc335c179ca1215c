/** Watching it rain on a yard: what is blocked is seen, the thumb goes through the storm, and everything is a tap away. */
import { expect } from '@playwright/test';
import { lookedAt } from './lib/jobs';
import { test } from './lib/test';

test('a grate is blocked, the storm is played again, and what it comes to is said', async ({ page }) => {
  await page.goto('/job/quillfeather/storm');
  const sentence = page.getByTestId('storm-sentence');
  await expect(sentence).toContainText(/^In the 10-year storm water stays .+ below the sill (of|at) /);
  const picture = page.getByTestId('storm-picture');
  await expect(picture).toBeVisible();
  // It stands at the hardest of it, half an hour on.
  const time = page.getByTestId('storm-time');
  await expect(time).toHaveText(/0:3\d/);
  const lawn = page.getByRole('button', { name: /^Lawn basin: .+ deep at 0:3\d/ });
  const open = await lawn.getAttribute('aria-label');
  await page.getByTestId('storm-fails').tap();
  await lookedAt(page);
  await page.getByRole('checkbox', { name: 'Lawn basin blocked', exact: true }).tap();
  await expect(sentence).toContainText('with Lawn basin blocked');
  await expect(page.getByTestId('failing')).toContainText('Lawn basin blocked');
  expect(await lawn.getAttribute('aria-label')).not.toBe(open);
  // A finger on the inlet in the picture opens it again.
  await picture.scrollIntoViewIfNeeded();
  const { width, height } = (await picture.boundingBox())!;
  await picture.tap({ position: { x: 0.78 * width, y: 0.6 * height } });
  await expect(sentence).toContainText(/^In the 10-year storm water stays/);
  await page.getByTestId('storm-scrubber').press('Home');
  await expect(time).toHaveText('0:00');
  await page.getByTestId('storm-scrubber').press('PageUp');
  await expect(time).not.toHaveText('0:00');
  await page.getByTestId('storm-play').tap();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await page.getByRole('button', { name: 'Pause' }).tap();
  // A row leads to its time and its place, and on to its sheet with its curve.
  await lawn.tap();
  await expect(time).toHaveText(/0:3\d/);
  await lookedAt(page);
  await page.getByTestId('storm-open').tap();
  await expect(page.getByTestId('sheet')).toContainText('Lawn basin');
  await expect(page.getByTestId('level-curve')).toContainText(/Over Lawn basin in this storm: .+ at 0:3\d/);
});

test('what would cure a storm is tried in it, taken by a tap, and the storm is another', async ({ page }) => {
  await page.goto('/job/quillfeather/storm');
  await page.getByRole('radio', { name: '100-year rain' }).tap();
  const sentence = page.getByTestId('storm-sentence');
  await expect(sentence).toContainText(/^In the 100-year storm water stays/);
  await page.getByTestId('storm-cure').tap();
  const cures = page.getByTestId('storm-cures');
  await expect(cures).toContainText('ways were tried in this storm; these help.', { timeout: 180_000 });
  const deepest = page.getByRole('button', { name: /^Lawn basin: .+ deep at/ });
  const before = await deepest.getAttribute('aria-label');
  await page.getByRole('button', { name: 'Lay 8 in from Lawn basin down' }).tap();
  await expect.poll(() => deepest.getAttribute('aria-label')).not.toBe(before);
  await expect(page.getByTestId('storm-cure')).toHaveCount(0);
});

test('failures are tried one by one until somebody stops it, and one is watched by a tap', async ({ page }) => {
  await page.goto('/job/quillfeather/storm');
  await expect(page.getByTestId('storm-picture')).toBeVisible();
  await page.getByTestId('storm-try-all').tap();
  const tried = page.getByTestId('storm-tried');
  // Thirty take a while: some are enough to see the worst of them first, and to stop.
  await expect(tried).toContainText(/([4-9]|[12]\d) of 30 are tried/, { timeout: 120_000 });
  await page.getByRole('button', { name: 'Stop trying' }).tap();
  await expect(tried).toContainText(/Stopped: \d+ of 30 were tried/);
  const first = tried.getByRole('button').first();
  await expect(first).toContainText(/^In the 10-year storm/);
  const failing = /with (.+?) water/.exec((await first.innerText()).replaceAll(/\s/g, ' '))![1]!;
  await lookedAt(page);
  await first.tap();
  await expect(page.getByTestId('failing')).toContainText(failing);
});

test('a longer storm onto soaked ground sinks in less, and is still asked for after a reload', async ({ page }) => {
  await page.goto('/job/quillfeather/storm');
  const sums = page.getByText(/ sank into the ground/);
  await expect(sums).toBeVisible();
  const sank = async (): Promise<number> =>
    Number(/([\d.]+)%? sank/.exec((await sums.allInnerTexts()).join('').replaceAll(/\s/g, ' '))?.[1] ?? NaN);
  const before = await sank();
  await page.getByTestId('storm-more').tap();
  await lookedAt(page);
  await page.getByRole('radio', { name: 'Soaked', exact: true }).tap();
  await expect.poll(sank).toBeLessThan(before);
  await expect(sums).toContainText('Nothing is lost by more than a millionth.');
  // What was opened stays open while another storm is worked out.
  await expect(page.getByRole('radio', { name: 'Soaked', exact: true })).toBeChecked();
  await page.reload();
  await page.getByTestId('storm-more').tap();
  await expect(page.getByRole('radio', { name: 'Soaked', exact: true })).toBeChecked();
});

test('rain is typed; what cannot be read is said with its line, and nothing typed is lost', async ({ page }) => {
  await page.goto('/job/quillfeather/storm');
  await page.getByRole('radio', { name: 'Typed or a gauge’s' }).tap();
  const gauge = page.getByTestId('gauge');
  await gauge.fill('0:10 0.2\n0:05 0.4');
  await gauge.blur();
  await expect(page.getByText('Line 2 is no later than the line before it.').first()).toBeVisible();
  await gauge.fill('0:10 0.2\n0:20 0.9\n0:30 0.1');
  await gauge.blur();
  await expect(page.getByTestId('storm-sentence')).toContainText('In the storm of the gauge');
  await page.reload();
  await expect(gauge).toHaveValue('0:10 0.2\n0:20 0.9\n0:30 0.1');
  await expect(page.getByTestId('storm-sentence')).toContainText('In the storm of the gauge');
});
