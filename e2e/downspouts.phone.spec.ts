/** Many downspouts in one go: a table typed or pasted, and another like one that is there. */
import { expect } from '@playwright/test';
import { copyOfSample, kept, saved } from './lib/jobs';
import { test } from './lib/test';

test('a table of downspouts is typed, lost by nothing, put in at once; and one is repeated with its roof', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/walk?at=new`);
  await page.getByRole('button', { name: /^Several downspouts/ }).tap();
  await page
    .getByTestId('downspout-table')
    .fill('Barn left, 450, 3x4, 0, Barn right, 30\nBarn right, 600, 9x9\nShed, 200');
  await expect(page.getByText('Row 2: “9x9” is no size of downspout')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Several downspouts/ }).tap();
  const table = page.getByTestId('downspout-table');
  await expect(table).toHaveValue(/Shed, 200/);
  await table.fill(
    'Barn left, 450, 3x4, 0, Barn right, 30\nBarn right, 600, 4 in round, -6", Lawn basin, 42\'6"\nShed, 200',
  );
  await page.getByTestId('put-downspouts').tap();
  await saved(page, job);
  const of = async (kind: string): Promise<{ name?: string; from?: string; length?: number; id: string }[]> =>
    Object.values(await kept(request, job)).filter((element) => element.kind === kind) as never;
  const spouts = await of('downspout');
  const right = spouts.find(({ name }) => name === 'Barn right')!;
  expect(spouts.map(({ name }) => name)).toEqual(expect.arrayContaining(['Barn left', 'Barn right', 'Shed']));
  expect((await of('run')).find(({ from }) => from === right.id)!.length).toBeCloseTo(42.5 * 0.3048, 6);
  await page.goto(`/job/${job}/walk?at=${right.id}`);
  await page.getByTestId('another-like-it').tap();
  await expect(page.getByRole('heading', { name: 'Downspout 1', level: 2 })).toBeVisible();
  await saved(page, job);
  expect((await of('downspout')).length).toBe(spouts.length + 1);
});
