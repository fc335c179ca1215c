/** Proposals on a desk: compared, a line dragged by the mouse, one inlet alone asked for, taken, taken back. */
import { expect } from '@playwright/test';
import { kept, putJob, saved } from './lib/jobs';
import { allLaidOut, dragLine, drawn, onLine, PLOT } from './lib/plot';
import { test } from './lib/test';

test('plans are compared, a line dragged, one inlet alone asked for, the plan taken, and all of it taken back', async ({
  page,
  request,
}) => {
  test.slow();
  const job = await putJob(request, PLOT);
  await page.goto(`/job/${job}/build?at=~proposed`);
  await allLaidOut(page);
  const table = page.getByTestId('side-by-side');
  await expect(table.getByRole('columnheader')).not.toHaveCount(1);
  await expect(table).toContainText('Least pitch');
  const before = await drawn(page);

  const at = await onLine(page);
  await dragLine(page, at, { x: 50, y: 10 });
  await page.getByTestId('put-back').click();
  await expect.poll(() => drawn(page)).toEqual(before);

  await page.getByTestId('lead-west').click();
  await page.getByTestId('lead-east').click();
  await expect(page.getByTestId('proposal-cost')).toContainText('1 inlet led off', { timeout: 60_000 });
  await allLaidOut(page);
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
