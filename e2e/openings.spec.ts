import { expect } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, kept, saved } from './lib/jobs';

test('a door that floods only in the rarer rain is a Stop, and a wider channel keeps it dry', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/walk?at=rain`);
  await page.getByTestId('rain-openings').fill('13');
  await page.getByTestId('rain-openings').press('Enter');
  await page.goto(`/job/${job}/walk?at=kennelDrain`);
  await expect(page.getByRole('button', { name: /^Below the sill, 100-year 6 1\/8 in/ })).toBeVisible();
  // A sill just over the margin, a channel that just holds the design rain, and nothing that leads the excess off.
  const set = async (name: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name, exact: true }).fill(value);
    await page.getByRole('textbox', { name, exact: true }).press('Enter');
  };
  await set('Blocked, water runs off at', '');
  await set('Inside width', '2 in');
  await set('Sill that it protects', '-3.5"');
  await expect(page.getByRole('button', { name: /^Over the sill, 100-year/ })).toBeVisible();
  await expect(page.getByTestId('snag-openingFloods')).toContainText('In the 100-year rain water stands');
  await page.getByRole('button', { name: /^Over the sill, 100-year/ }).click();
  await expect(page.getByRole('region', { name: 'Working of Over the sill, 100-year' })).toContainText(
    'i = 13.00 in/h',
  );
  await page.getByRole('button', { name: 'Back' }).click();
  await set('Inside width', '5 in');
  await expect(page.getByTestId('snag-openingFloods')).toHaveCount(0);
  // Without a way off below the sill, leaves alone can still flood it.
  await expect(page.getByTestId('snag-blockedGrate')).toContainText('fills to the sill it protects');
  await saved(page, job);
  expect((await kept(request, job)).kennelDrain).toMatchObject({ kind: 'channel' });
  expect((await kept(request, job)).kennelDrain).not.toHaveProperty('spillLevel');
});

test('a valley that shoots over its gutter is told, and a larger gutter mends it', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/walk?at=faceYard`);
  await page.getByRole('radio', { name: /^Down a valley/ }).click();
  await page.getByTestId('valley-run').fill("30'");
  await page.getByTestId('valley-run').press('Enter');
  await page.goto(`/job/${job}/walk?at=ds2`);
  await expect(page.getByTestId('snag-valleyOvershoots')).toContainText(
    'The valley over Entrance downspout brings 46.9 gpm',
  );
  await page.getByTestId('fix-valleyOvershoots').click();
  await expect(page.getByTestId('snag-valleyOvershoots')).toHaveCount(0);
  await saved(page, job);
  expect((await kept(request, job)).ds2).toMatchObject({ gutter: expect.stringMatching(/^gutter[67]$/) });
});
