import { expect } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, kept, saved } from './lib/jobs';

test('a basin shows its rating with today’s point, and a smaller grate is judged and mended', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/walk?at=basin`);
  await expect(page.getByRole('img', { name: /^Rating curve: 20.1 gpm at 1\/2 in of water/ })).toBeVisible();
  await page.getByRole('button', { name: /^Stands over the grate/ }).click();
  await expect(page.getByRole('region', { name: 'Working of Water over the grate' })).toContainText('3.01 P d^1.5');
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('radio', { name: /^6 in round/ }).click();
  // 3,000 ft² of paving instead of lawn: 3,000 × 0.9 × 6 in/h = 168 gpm, more than a half-clogged 6 in grate takes.
  await page.goto(`/job/${job}/walk?at=lawn`);
  await page.getByRole('radio', { name: /^Concrete or asphalt/ }).click();
  await page.getByRole('textbox', { name: 'Area' }).fill('3000');
  await page.getByRole('textbox', { name: 'Area' }).press('Enter');
  await page.goto(`/job/${job}/walk?at=basin`);
  await page.getByTestId('fix-grateSmall').click();
  await expect(page.getByTestId('snag-grateSmall')).toHaveCount(0);
  await saved(page, job);
  expect((await kept(request, job)).basin).toMatchObject({ grate: 'flat12' });
});

test('a channel drain is put in, fed, and its water profile shown', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/walk?at=new`);
  await page.getByRole('button', { name: /^Channel drain:/ }).click();
  await page.getByTestId('put-in').click();
  await page.getByRole('radio', { name: 'Wye 2' }).click();
  await page.goto(`/job/${job}/walk?at=lawn`);
  await page.getByRole('checkbox', { name: 'Channel drain 1' }).click();
  await page.getByRole('checkbox', { name: 'Lawn basin' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: /^Channel drain 1, / }).click();
  await expect(page.getByRole('img', { name: /^Water in the channel along its length/ })).toBeVisible();
  await expect(page.getByText(/water 20.1/i)).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Sheds into it 20.1/ })).toBeVisible();
});

test('takes the user’s own rain table, names what is wrong with one, and keeps what was pasted', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/walk?at=rain`);
  const box = page.getByTestId('rain-table');
  await box.fill('years, 2, 10\n5 min, 0.40');
  await expect(page.getByRole('alert')).toContainText('line 2 must hold 2 numbers of more than 0.');
  await expect(box).toHaveValue('years, 2, 10\n5 min, 0.40');
  await box.fill('years, 2, 10\n5 min, 0.40, 0.60\n10 min, 0.62, 0.95\n60 min, 1.3, 2.2');
  await expect(page.getByText('3 durations read, as depths in inches.')).toBeVisible();
  await page
    .getByRole('radiogroup', { name: 'As heavy as comes once in' })
    .last()
    .getByRole('radio', { name: '10-year' })
    .click();
  // 0.60 in in 5 min is 7.2 in/h.
  await expect(page.getByRole('button', { name: /^Design rain, My table, 10-year/ })).toContainText('7.20');
  await saved(page, job);
  expect((await kept(request, job)).rain).toMatchObject({
    source: { type: 'own', returnPeriod: 10 },
    table: { durations: [300, 600, 3600] },
  });
});

test('works out the sizes of the whole job, and says when no sizes reach the way out', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  await page.getByTestId('size-job').click();
  await expect(
    page.getByText('No sizes on offer bring all of the water to its way out', { exact: false }),
  ).toBeVisible();
  await page.getByTestId('fix-outOfFall').click();
  await page.getByTestId('size-job').click();
  await expect(page.getByText(/^Least: /)).toBeVisible();
  await page.getByTestId('use-best').click();
  await expect(page.getByTestId('verdict')).toContainText('Carries the 10-year rain to the swale');
  await page.getByTestId('undo').click();
  await expect(page.getByTestId('verdict')).toContainText('too small');
});
