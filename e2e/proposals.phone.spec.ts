/** From a measured yard to a plan without a Stop: proposed, looked at, taken, taken back. */
import { expect } from '@playwright/test';
import type { Element } from '../core/src';
import { kept, putJob, saved } from './lib/jobs';
import { allLaidOut, dragLine, drawn, onLine, PLOT } from './lib/plot';
import { test } from './lib/test';

test('a plan is proposed for a measured yard, taken by a tap, and taken back by one undo', async ({
  page,
  request,
}) => {
  test.slow();
  const job = await putJob(request, PLOT);
  let taps = 0;
  const tap = async (id: string): Promise<void> => {
    taps++;
    await page.getByTestId(id).tap();
  };
  await page.goto(`/job/${job}/plan`);
  await tap('propose');
  await allLaidOut(page);
  await expect(page.getByTestId('proposal-picture')).toBeVisible();
  await expect(page.getByTestId('proposal-cost')).toContainText(/3 inlets joined by .+1 new basin among them\./);
  await tap('take-proposal');
  await page.waitForURL(/\/plan/);
  await saved(page, job);
  const all = Object.values(await kept(request, job));
  const of = (kind: string): Element[] => all.filter((element) => element.kind === kind);
  expect(of('basin')).toHaveLength(1);
  expect(of('run').length).toBeGreaterThan(2);
  await expect(page.getByText(/\d Stop/)).toHaveCount(0);
  console.log(`from a measured yard to a plan without a Stop: ${taps} taps`);
  expect(taps).toBeLessThanOrEqual(12);
  await page.getByTestId('undo').tap();
  await saved(page, job);
  const after = Object.values(await kept(request, job));
  expect(after.filter(({ kind }) => kind === 'run' || kind === 'basin' || kind === 'junction')).toEqual([]);
});

test('a line is dragged and its price told under the finger, a patch put out of bounds, the plan taken, and all of it taken back', async ({
  page,
  request,
}) => {
  test.slow();
  const job = await putJob(request, PLOT);
  await page.goto(`/job/${job}/build?at=~proposed`);
  await allLaidOut(page);
  await page.getByTestId('proposal-picture').scrollIntoViewIfNeeded();
  const before = await drawn(page);
  const price = (): Promise<string | null> => page.getByTestId('proposal-cost').getByText(/^\$/).first().textContent();
  const asked = await price();

  const at = await onLine(page);
  await dragLine(page, at, { x: 30, y: 8 });
  await expect(page.getByTestId('proposal-cost')).toContainText('1 new basin among them');
  await expect(page.getByTestId('proposal-cost')).not.toContainText('nowhere');
  const moved = await price();
  expect(moved).not.toBe(asked);
  // It is still so after a reload, line by line.
  const by = await drawn(page);
  await page.reload();
  await allLaidOut(page);
  await expect(page.getByText('Least cost, with lines moved')).toBeVisible({ timeout: 30_000 });
  expect(await price()).toBe(moved);
  expect(await drawn(page)).toEqual(by);
  await page.getByTestId('put-back').tap();
  await expect.poll(() => drawn(page)).toEqual(before);

  // Not here: no line comes near the patch any more, and the patch is still there after a reload.
  await page.mouse.click(at.x, at.y);
  await page.getByTestId('not-here').tap();
  await expect.poll(() => drawn(page), { timeout: 60_000 }).not.toEqual(before);
  await allLaidOut(page);
  const round = await drawn(page);
  expect(round.length).toBeGreaterThan(2);
  await page.reload();
  await allLaidOut(page);
  expect(await drawn(page)).toEqual(round);

  await page.getByTestId('take-proposal').tap();
  await page.waitForURL(/\/plan/);
  await saved(page, job);
  const runs = async (): Promise<number> =>
    Object.values(await kept(request, job)).filter(({ kind }) => kind === 'run').length;
  expect(await runs()).toBeGreaterThan(2);
  await page.getByTestId('undo').tap();
  await saved(page, job);
  expect(await runs()).toBe(0);
});

test('what is unticked is left as it is, and the rest is planned', async ({ page, request }) => {
  const job = await putJob(request, PLOT);
  await page.goto(`/job/${job}/build?at=~proposed`);
  await expect(page.getByTestId('lead-west')).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('lead-west').tap();
  await expect(page.getByTestId('proposal-cost')).toContainText('2 inlets led off', { timeout: 60_000 });
  await page.getByTestId('lead-west').tap();
  await expect(page.getByTestId('proposal-cost')).toContainText('3 inlets joined', { timeout: 60_000 });
});
