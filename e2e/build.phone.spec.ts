import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { test } from './lib/test';
import { pagesOf } from '../server/src/testing/readPdf';
import { copyOfSample, kept, lookedAt, saved } from './lib/jobs';

const key = async (page: Page, keys: string): Promise<void> => {
  for (const each of keys) await page.getByRole('button', { name: each, exact: true }).tap();
};

test('from the plan to what is bought and what is dug: three readings, one of them high, and the rest re-pitched', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  await page
    .getByRole('link', { name: 'Build' })
    .or(page.getByRole('tab', { name: 'Build' }))
    .first()
    .tap();
  // A list of its pages, with what stands in each; the stations stay in reach on all of them.
  await page.getByRole('radio', { name: /^Parts: \d+ parts$/ }).tap();
  await expect(
    page
      .getByRole('link', { name: 'Plan' })
      .or(page.getByRole('tab', { name: 'Plan' }))
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: /^4\sin PVC pipe: 22 sticks of 10′/ }).tap();
  await expect(page.getByRole('link', { name: 'Go to Lawn basin to Wye 1' })).toContainText('38′');
  const [table] = await Promise.all([page.waitForEvent('download'), page.getByTestId('save-parts').tap()]);
  expect(table.suggestedFilename()).toMatch(/-parts\.csv$/);
  // The price follows a rate of one's own, and is there after a reload.
  await page.getByRole('radio', { name: 'Price' }).tap();
  const hero = page.getByText(/^\$[\d,]+\.\d\d$/).first();
  const before = await hero.innerText();
  await page.getByTestId('price-trench').tap();
  await page.getByTestId('price-rate').fill('20');
  await page.getByTestId('price-rate').blur();
  await expect(hero).not.toHaveText(before);
  const after = await hero.innerText();
  await saved(page, job);
  await page.reload();
  await expect(hero).toHaveText(after);
  await page.getByRole('radio', { name: 'Dig sheet' }).tap();
  await page.getByTestId('dig-level').fill('0');
  await page.getByTestId('dig-rod').fill('4.5');
  await page.getByTestId('dig-rod').blur();
  await expect(page.getByText('Line of sight at')).toBeVisible();
  const stations = page.getByTestId('dig-station');
  // The rod as each asks for it, from the way out upward; then half an inch less.
  const wanted = async (k: number): Promise<number> => {
    const words = (await stations.nth(k).innerText()).replace(/\s+/g, ' ');
    const [, feet, inches, eighths] = /Rod (\d+)′ (\d+)(?: (\d\/\d))?″/.exec(words)!;
    const [above, below] = (eighths ?? '0/1').split('/').map(Number);
    return Number(feet) + (Number(inches) + above! / below!) / 12;
  };
  let taps = 0;
  for (const [k, off] of [
    [0, 0],
    [1, 0],
    [2, 0.5 / 12],
  ] as const) {
    const rod = (await wanted(k)) - off;
    await stations.nth(k).tap();
    await key(page, rod.toFixed(2));
    await page.getByTestId('take-laid').tap();
    taps = 2;
    await expect(stations.nth(k)).toContainText(off === 0 ? /As planned|Holds/ : /high/);
    if (off === 0) await stations.nth(k).tap();
  }
  console.log(`a reading in the trench: ${taps} taps besides its figures`);
  await saved(page, job);
  const run = Object.values(await kept(request, job)).find((each) => each.kind === 'run' && each.laid);
  expect(run?.kind === 'run' && run.laid).toHaveLength(3);
  // What was read is there after a reload, and so is where the level stands.
  await page.reload();
  await expect(stations.nth(2)).toContainText(/high/);
  await expect(page.getByText('Line of sight at')).toBeVisible();
  await stations.nth(2).tap();
  await expect(page.getByText('Then: ')).toBeVisible();
  await page.getByTestId('re-pitch').tap();
  const names = async (): Promise<string[]> =>
    Object.values(await kept(request, job)).flatMap((each) => (each.kind === 'junction' ? [each.name] : []));
  await expect.poll(names).toContain('Grade break 1');
  // The readings stayed with the pipe below the break, and lie as planned there now.
  await expect(page.getByText(/too high/)).toHaveCount(0);
  // And on paper: the grade break stands on the dig sheet that the server makes of the job as it is here.
  await page.getByRole('radio', { name: 'Paper' }).tap();
  const [paper] = await Promise.all([page.waitForEvent('download'), page.getByTestId('make-dig.pdf').tap()]);
  const words = pagesOf(readFileSync(await paper.path()))
    .map((each) => each.words)
    .join(' ');
  expect(words).toContain('Dig sheet of line A');
  expect(words).toContain('Grade break 1');
});

test('what a row of a table led to is closed back to the table, in the order that it was put in; and so after a reload', async ({
  page,
}) => {
  await page.goto('/job/quillfeather/build');
  await page.getByRole('radio', { name: 'Tables' }).tap();
  await page.getByRole('radio', { name: 'Inlets and ends' }).tap();
  const inOrder = page.getByRole('radio', { name: 'Invert, least first' });
  await page.getByRole('radio', { name: 'Invert', exact: true }).tap();
  await expect(inOrder).toBeChecked();
  const rows = page.getByRole('list', { name: 'Inlets and ends' }).getByRole('listitem');
  const order = await rows.allInnerTexts();
  await rows.nth(1).getByRole('link').tap();
  await expect(inOrder).toBeHidden();
  await page.goBack();
  await expect(inOrder).toBeChecked();
  expect(await rows.allInnerTexts()).toEqual(order);
  await lookedAt(page);
  await rows.nth(1).getByRole('link').tap();
  await lookedAt(page);
  await page
    .getByRole('button', { name: /^(Close|Back)$/ })
    .first()
    .tap();
  await expect(inOrder).toBeChecked();
  await page.reload();
  await expect(inOrder).toBeChecked();
  expect(await rows.allInnerTexts()).toEqual(order);
});
