/** Proposals on a desk: compared, a line dragged by the mouse, one inlet alone asked for, taken, taken back. */
import { expect } from '@playwright/test';
import { kept, putJob, saved } from './lib/jobs';
import { drawn, onLine, PLOT } from './lib/plot';
import { test } from './lib/test';

test('plans are compared, a line dragged, one inlet alone asked for, the plan taken, and all of it taken back', async ({
  page,
  request,
}) => {
  test.slow();
  const job = await putJob(request, PLOT);
  await page.goto(`/job/${job}/build?at=~proposed`);
  const over = async (): Promise<void> => {
    await expect(page.getByTestId('proposal-cost')).toBeVisible({ timeout: 60_000 });
    await expect(page.getByTestId('stop-looking')).toHaveCount(0, { timeout: 60_000 });
  };
  await over();
  const table = page.getByTestId('side-by-side');
  await expect(table.getByRole('columnheader')).not.toHaveCount(1);
  await expect(table).toContainText('Least pitch');
  const before = await drawn(page);

  const at = await onLine(page);
  await page.mouse.click(at.x, at.y);
  const ring = (await page.getByTestId('held-ring').boundingBox())!;
  await page.mouse.move(ring.x + ring.width / 2, ring.y + ring.height / 2);
  await page.mouse.down();
  await page.mouse.move(ring.x + ring.width / 2 + 50, ring.y + ring.height / 2 + 10, { steps: 8 });
  await expect(page.getByTestId('held-label')).toContainText(/^[+−±]/);
  await page.mouse.up();
  await expect(page.getByText('Least cost, with lines moved')).toBeVisible({ timeout: 30_000 });
  await page.getByTestId('put-back').click();
  await expect.poll(() => drawn(page)).toEqual(before);

  await page.getByTestId('lead-west').click();
  await page.getByTestId('lead-east').click();
  await expect(page.getByTestId('proposal-cost')).toContainText('1 inlet led off', { timeout: 60_000 });
  await over();
  await page.getByTestId('take-proposal').click();
  await page.waitForURL(/\/plan/);
  await saved(page, job);
  const runs = async (): Promise<number> =>
    Object.values(await kept(request, job)).filter(({ kind }) => kind === 'run').length;
  expect(await runs()).toBeGreaterThan(0);
  await page.keyboard.press('z');
  await saved(page, job);
  expect(await runs()).toBe(0);
});
