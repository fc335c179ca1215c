/** The evening's other half, on a phone: what is charged besides, whom to ask, on which days, the choices kept, and who may read it. */
import { expect } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, saved } from './lib/jobs';

test('a price with what is charged once, a ticket that is asked for, and days round its marks', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.clock.setFixedTime('2026-12-02T10:00:00');
  await page.goto(`/job/${job}/build?at=~price`);
  await page.getByTestId('extra-name').fill('Excavator, 2 days');
  await page.getByTestId('extra-name').press('Enter');
  await page.getByTestId('extra-amount').fill('640');
  await page.getByTestId('extra-amount').blur();
  await expect(page.getByRole('button', { name: 'Excavator, 2 days: $640.00' })).toBeVisible();

  await page.getByRole('radio', { name: 'Clearances' }).tap();
  // Nobody marks the dig as ready before it is.
  await expect(page.getByTestId('mark-ready')).toBeDisabled();
  await page.getByTestId('need-locate').tap();
  await page.getByTestId('ask-locate').tap();
  await expect(page.getByText(/the marks are due on/)).toBeVisible();
  await page.getByTestId('hear-locate').tap();
  await expect(page.getByText(/^(Not marked yet|Late:)/)).toBeVisible();
  // It was asked for three weeks ago, all is marked since, and it is good for another.
  await page.getByLabel('Good from').fill('2026-12-01');
  await page.getByLabel('Good from').blur();
  await page.getByRole('radio', { name: 'Granted' }).first().tap();
  await expect(page.getByTestId('need-locate')).toContainText('There, until');
  await expect(page.getByTestId('mark-ready')).toBeDisabled();
  await page.getByTestId('need-private').tap();
  await page.getByRole('radio', { name: 'Granted' }).first().tap();
  await page.getByTestId('mark-ready').tap();
  await expect(page.getByTestId('ready')).toContainText('Ready to dig.');
  await saved(page, job);
  await page.reload();
  await expect(page.getByTestId('ready')).toContainText('Ready to dig.');

  await page.getByRole('radio', { name: 'Days' }).tap();
  const line = page.getByTestId('step-line A').first();
  await expect(line).toBeVisible();
  // A step moved by hand says so.
  await line.tap();
  await page.getByLabel('Not before').first().fill('2026-12-22');
  await page.getByLabel('Not before').first().blur();
  await expect(page.getByTestId('step-line A').first()).toContainText('set by hand');
});

test('an option kept aside and taken again; a set on paper; a link for the customer, read and withdrawn', async ({
  page,
  request,
  browser,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/build?at=~options`);
  await page.getByTestId('keep-aside').tap();
  await expect(page.getByTestId('option')).toHaveCount(2);
  await page.getByTestId('take-option').first().tap();
  await expect(page.getByTestId('option-name')).toHaveValue('First plan');
  await saved(page, job);

  await page.getByRole('radio', { name: 'Paper' }).tap();
  const [set] = await Promise.all([page.waitForEvent('download'), page.getByTestId('make-set.pdf').tap()]);
  expect(set.suggestedFilename()).toMatch(/-set\.pdf$/);
  await page.getByTestId('share-customer').tap();
  const link = await page.getByTestId('share-link').innerText();
  const other = await browser.newPage();
  await other.goto(link);
  await expect(other.getByRole('heading', { name: /^Quote/ })).toBeVisible();
  await page.getByTestId('withdraw-share').first().tap();
  await expect(page.getByTestId('withdraw-share')).toHaveCount(0);
  await other.reload();
  await expect(other.getByText('This page was withdrawn')).toBeVisible();
});
