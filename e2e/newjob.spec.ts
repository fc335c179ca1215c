import { expect } from '@playwright/test';
import { test } from './lib/test';
import { kept, saved } from './lib/jobs';

test('goes from nothing to a verdict on three downspouts in a dozen entries', async ({ page, request }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job', exact: true }).click();
  await page.getByTestId('new-name').fill('Three spouts');
  const entries: [string, string, string][] = [
    ['900', '0', '40'],
    ['30x20', '-6"', `35'6"`],
    ['750', '-1', '50'],
  ];
  for (const [index, [area, ground, length]] of entries.entries()) {
    await page.getByTestId(`new-area-${index + 1}`).fill(area);
    await page.getByTestId(`new-ground-${index + 1}`).fill(ground);
    await page.getByTestId(`new-length-${index + 1}`).fill(length);
  }
  // What is typed is kept from key to key, and the verdict stands there before the plan is made.
  await page.reload();
  await expect(page.getByTestId('new-length-2')).toHaveValue(`35'6"`);
  await page.getByTestId('new-out').fill('-3');
  // By hand: 2,250 ft² × 0.95 × 6 in/h = 133 gpm; 8 in of fall in 50 ft is 1.33%, where 4 in smooth holds 111 × √1.33 = 128.
  await expect(page.getByText('is too small: 133 gpm in a pipe that holds 128 gpm')).toBeVisible();
  await page.getByTestId('new-create').click();
  await expect(page.getByTestId('verdict')).toContainText('Downspout 3 to Swale is too small');
  const job = new URL(page.url()).pathname.split('/')[2]!;
  await saved(page, job);
  expect((await kept(request, job)).run2).toMatchObject({ from: 'ds2', to: 'ds3', length: 35.5 * 0.3048 });
  await page.getByTestId('fix-capacityExceeded').click();
  await expect(page.getByTestId('verdict')).toContainText('Carries the 10-year rain to the swale with');
  await page.reload();
  await expect(page.getByTestId('verdict')).toContainText('Carries the 10-year rain');
});

test('says what is missing and what cannot be read', async ({ page }) => {
  await page.goto('/new');
  await page.getByRole('button', { name: 'Empty this page' }).click();
  await expect(page.getByText('Downspout 1 still needs its roof and distance.')).toBeVisible();
  await page.getByTestId('new-area-1').fill('lots');
  await page.getByTestId('new-area-1').blur();
  await expect(page.getByRole('alert')).toContainText('Write an area such as');
  await expect(page.getByTestId('new-create')).toBeDisabled();
  await page.getByRole('button', { name: 'Empty this page' }).click();
});

test('the bank, what lies over the trench and what a main carries are asked for: nothing is minded that was said', async ({
  page,
  request,
}) => {
  await page.goto('/new');
  await page.getByRole('button', { name: 'Empty this page' }).click();
  await page.getByTestId('new-area-1').fill('1500');
  await page.getByTestId('new-length-1').fill('60');
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'One less' }).click();
  await page.getByTestId('new-out').fill('-3');
  await page.getByTestId('new-bank-top').fill('up there');
  await expect(page.getByText(/^Top of the bank: /)).toBeVisible();
  await page.getByTestId('new-bank-top').fill('-5');
  await expect(page.getByText('Top of the bank: It lies higher than the way out.')).toBeVisible();
  await page.getByTestId('new-bank-top').fill('-4"');
  await page.getByTestId('new-bank-length').fill('6');
  await page.getByRole('radio', { name: 'Drive' }).click();
  await page.getByTestId('new-create').click();
  await expect(page.getByTestId('verdict')).toContainText('Carries the 10-year rain to the swale');
  await expect(page.getByTestId('snag-bankAssumed')).toHaveCount(0);
  const job = new URL(page.url()).pathname.split('/')[2]!;
  await saved(page, job);
  const { out1, run1 } = await kept(request, job);
  expect(out1).toMatchObject({ bank: { length: 6 * 0.3048, topLevel: -4 * 0.0254 } });
  expect(run1).toMatchObject({ under: 'cars' });

  await page.goto('/new');
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'One less' }).click();
  await page.getByRole('radio', { name: 'Into a main' }).click();
  for (const [box, typed] of [
    ['area-1', '1500'],
    ['length-1', '60'],
    ['out', '-3'],
  ] as const)
    await page.getByTestId(`new-${box}`).fill(typed);
  await expect(page.getByTestId('new-verdict')).toContainText('Nobody knows whether Main carries rain or sewage.');
  await page.getByRole('radio', { name: 'Rain', exact: true }).click();
  await expect(page.getByTestId('new-verdict')).toContainText('Carries the 10-year rain to the main');
  await page.getByRole('button', { name: 'Empty this page' }).click();
});

test('builds a line by hand in the yard’s list: a downspout, a way out, the pipe between', async ({ page }) => {
  await page.goto('/new');
  await page.getByTestId('new-area-1').fill('500');
  await page.getByTestId('new-length-1').fill('30');
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'One less' }).click();
  await page.getByTestId('new-out').fill('-2');
  await page.getByTestId('new-create').click();
  await page.getByRole('link', { name: 'Yard' }).click();
  await page.getByTestId('add').click();
  await page.getByRole('button', { name: /^Downspout:/ }).click();
  await page.getByTestId('put-in').click();
  await page.getByRole('radio', { name: 'Downspout 1' }).click();
  await expect(page.getByTestId('verdict')).toContainText('Mind');
  const length = page.getByTestId('run-length');
  await length.fill('18');
  await length.press('Enter');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByTestId('add').click();
  await page.getByRole('button', { name: /^Roof face:/ }).click();
  // A new face feeds nobody until it is told.
  await page.getByRole('checkbox', { name: 'Downspout 2' }).click();
  await page.getByTestId('put-in').click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: /^Roof face 1, 450 ft² to Downspout 2/ })).toBeVisible();
  // A short branch at the least pitch under a small face: an ordinary rain is too little to wash it.
  await expect(page.getByTestId('verdict')).toContainText('Downspout 2 to Downspout 1 will not keep itself clean.');
  await page.getByRole('link', { name: 'Plan' }).click();
  await page.getByTestId('fix-willSilt').click();
  await expect(page.getByTestId('verdict')).toContainText('Carries');
});
