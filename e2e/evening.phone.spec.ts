/** The evening's other half, on a phone: what is charged besides, whom to ask, on which days, the choices kept, and who may read it. */
import { expect } from '@playwright/test';
import { settled } from './lib/settled';
import { test } from './lib/test';
import { copyOfSample, kept, saved } from './lib/jobs';

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
  // The sample has a Stop: nobody is offered it unless the contractor says so.
  await expect(page.getByText('This plan is not finished')).toBeVisible();
  await expect(page.getByTestId('share-link')).toHaveCount(0);
  await page.getByTestId('send-all-the-same').tap();
  const link = await page.getByTestId('share-link').innerText();
  const other = await browser.newPage();
  await other.goto(link);
  await expect(other.getByRole('heading', { name: /^Quote/ })).toBeVisible();
  await page.getByTestId('withdraw-share').first().tap();
  await expect(page.getByTestId('withdraw-share')).toHaveCount(0);
  await other.reload();
  await expect(other.getByText('This page was withdrawn')).toBeVisible();
});

test('the company’s ways go into its next job, its name onto its offers; a note is found, an extra is charged', async ({
  page,
  request,
  browser,
}) => {
  const job = await copyOfSample(request);
  await page.goto('/company');
  await page.getByTestId('company-name').fill('Fernhollow Drainage');
  await page.getByTestId('company-name').press('Enter');
  await page.getByTestId('company-terms').fill('Half at the start.\nThe rest when water runs.');
  await page.getByTestId('company-terms').blur();
  // A page that is loaded anew in the same moment would break the sending off.
  const company = async (): Promise<unknown> =>
    ((await (await request.get('/api/company')).json()) as { company: unknown }).company;
  await expect.poll(company).toMatchObject({ name: 'Fernhollow Drainage', terms: expect.stringContaining('The rest') });

  await page.goto(`/job/${job}/build?at=~ways`);
  const steep = page.getByTestId('school-pitch');
  // What it would change is said before it is chosen.
  await expect(steep).toContainText(/¼ in a foot: \+\$\d+.*worse/);
  await steep.getByRole('button').first().tap();
  await settled(page);
  await page.getByTestId('side-pitch-quarter').tap();
  await expect(page.getByTestId('verdict')).toContainText(/lacks 2′\s3/);
  await page.getByTestId('company-pitch').tap();
  await expect(page.getByText('New jobs begin so.')).toBeVisible();
  await page.getByTestId('explain-pitch').tap();
  await expect(page.getByTestId('explain-pitch')).toBeChecked();
  await page.getByTestId('school-digger').getByRole('button').first().tap();
  await settled(page);
  await page.getByTestId('side-digger-hand').tap();
  await page.getByTestId('keep-ways').tap();
  await expect(page.getByText('The company’s own ways.')).toBeVisible();
  await page.goto(`/job/${job}/plan?at=job`);
  await page.getByTestId('note-text').fill('Trap by the gate, as agreed');
  await page.getByRole('radio', { name: 'Extra, agreed' }).tap();
  await page.getByTestId('keep-note').tap();
  await page.getByTestId('note-amount').fill('250');
  await page.getByTestId('note-amount').press('Enter');
  await expect(page.getByText('$250.00 in the price')).toBeVisible();
  await saved(page, job);
  await page.goto(`/job/${job}/build?at=~price`);
  await expect(page.getByRole('button', { name: 'Trap by the gate, as agreed: $250.00' })).toBeVisible();
  await page.goto(`/job/${job}/build?at=find`);
  await page.getByRole('textbox', { name: 'Name, or words of a note' }).fill('by the gate');
  await expect(page.getByRole('button', { name: 'Extra, agreed: Trap by the gate, as agreed' })).toBeVisible();

  await page.goto(`/job/${job}/build?at=~paper`);
  await page.getByTestId('share-customer').tap();
  await page.getByTestId('send-all-the-same').tap();
  const other = await browser.newPage();
  await other.goto(await page.getByTestId('share-link').innerText());
  for (const said of [
    'Fernhollow Drainage',
    'The rest when water runs.',
    'Agreed on the way: Trap by the gate, as agreed',
    'How it is built, and why',
    'How steep, at least?',
    /^Instead, −\$\d+: 1 %, less in large pipe/,
  ])
    await expect(other.getByText(said)).toBeVisible();

  await page.goto('/new');
  await page.getByTestId('new-measure').tap();
  await page.waitForURL(/\/job\/j-?\w+.*\/yard/);
  const fresh = /\/job\/([^/]+)\//.exec(page.url())![1]!;
  await saved(page, fresh);
  const head = Object.values(await kept(request, fresh)).find(({ kind }) => kind === 'job');
  expect(head).toMatchObject({ ways: { digger: 'hand' }, settings: { leastPitch: 1 / 48 } });
  // The next test's jobs are built as usual.
  await request.put('/api/company', { data: {} });
});
