import { expect } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, kept, saved } from './lib/jobs';

test('two devices follow each other as they work, and an undo leaves the other’s work alone', async ({
  browser,
  request,
}) => {
  const job = await copyOfSample(request);
  const [mine, theirs] = [await browser.newContext(), await browser.newContext()];
  const [a, b] = [await mine.newPage(), await theirs.newPage()];
  for (const page of [a, b]) {
    await page.goto(`/job/${job}/walk?at=wye2`);
    await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Wye 2');
  }
  await a.getByRole('textbox', { name: 'Name' }).fill('North wye');
  await a.getByRole('textbox', { name: 'Name' }).press('Enter');
  await expect(b.getByRole('textbox', { name: 'Name' })).toHaveValue('North wye');
  await b.getByRole('textbox', { name: 'Ground' }).fill("-1'");
  await b.getByRole('textbox', { name: 'Ground' }).press('Enter');
  await expect(a.getByRole('textbox', { name: 'Ground' })).toHaveValue(/^[-−]1′/);
  await a.getByTestId('undo').click();
  await saved(a, job);
  expect((await kept(request, job)).wye2).toMatchObject({ name: 'Wye 2', groundLevel: -0.3048 });
  await expect(b.getByRole('textbox', { name: 'Name' })).toHaveValue('Wye 2');
  // The other's own field is not taken back without a word.
  await a.getByTestId('redo').click();
  await expect(b.getByRole('textbox', { name: 'Name' })).toHaveValue('North wye');
  await b.getByRole('textbox', { name: 'Name' }).fill('Their wye');
  await b.getByRole('textbox', { name: 'Name' }).press('Enter');
  await expect(a.getByRole('textbox', { name: 'Name' })).toHaveValue('Their wye');
  await a.getByTestId('undo').click();
  await expect(a.getByRole('alert')).toContainText('another device changed the name of Their wye');
  await a.getByRole('button', { name: 'Leave it as it is' }).click();
  await expect(a.getByRole('alert')).toHaveCount(0);
  expect((await kept(request, job)).wye2).toMatchObject({ name: 'Their wye' });
  await mine.close();
  await theirs.close();
});

test('undo goes on after a reload, in order', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  await page.getByTestId('fix-outOfFall').click();
  await page.getByTestId('fix-capacityExceeded').click();
  await expect(page.getByTestId('verdict')).toContainText('Carries');
  await saved(page, job);
  await page.reload();
  await page.getByTestId('undo').click();
  await page.getByTestId('undo').click();
  await expect(page.getByTestId('verdict')).toContainText('of fall: it runs out');
  await expect(page.getByTestId('undo')).toBeDisabled();
  await page.reload();
  await page.getByTestId('redo').click();
  await page.getByTestId('redo').click();
  await expect(page.getByTestId('verdict')).toContainText('Carries');
});

test('what was taken out waits to be brought back, also the second and after a reload; a job’s past is at hand', async ({
  page,
  request,
}) => {
  const on = test.info().project.name;
  const names = [`First to go, ${on}`, `Second to go, ${on}`];
  const jobs = [await copyOfSample(request, names[0]), await copyOfSample(request, names[1])];
  await page.goto('/');
  for (const name of names) await page.getByRole('button', { name: `Take out ${name}`, exact: true }).click();
  await expect(page.getByRole('status')).toHaveCount(2);
  await page.reload();
  await page.getByRole('button', { name: 'Taken out' }).click();
  for (const name of names) {
    await page.getByRole('button', { name: `Bring back ${name}` }).click();
    await expect(page.getByRole('button', { name: `Bring back ${name}` })).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'All jobs' }).click();
  for (const name of names) await expect(page.getByRole('link', { name: new RegExp(`^${name}`) })).toBeVisible();
  await page.goto(`/job/${jobs[0]}/plan`);
  await page.getByTestId('fix-outOfFall').click();
  await saved(page, jobs[0]!);
  await page.goto(`/job/${jobs[0]}/walk?at=job`);
  await page.getByRole('button', { name: 'What was done' }).click();
  await expect(page.getByRole('listitem')).toHaveCount(2);
  await page.getByRole('button', { name: 'Copy as it began' }).click();
  await expect(page.getByTestId('verdict')).toContainText('of fall: it runs out');
  await expect(page.getByRole('button', { name: new RegExp(`^First to go, ${on}, as it began`) })).toBeVisible();
});

test('jobs are found by client and address, and a client and a day are written down', async ({ page, request }) => {
  const on = test.info().project.name;
  const job = await copyOfSample(request, `Found by its client, ${on}`);
  await page.goto(`/job/${job}/walk?at=job`);
  for (const [label, text] of [
    ['Client', `Ottoline Fernsby ${on}`],
    ['Address', '4 Quern Lane'],
  ] as const) {
    await page.getByRole('textbox', { name: label }).fill(text);
    await page.getByRole('textbox', { name: label }).press('Enter');
  }
  const day = page.getByTestId('job-date');
  await day.fill('2026-02-30');
  await day.press('Enter');
  await expect(page.getByRole('alert')).toContainText('A day is written as');
  await expect(day).toHaveValue('2026-02-30');
  await day.fill('2026-03-02');
  await day.press('Enter');
  await page.getByRole('radio', { name: 'Agreed' }).click();
  await saved(page, job);
  await page.goto('/');
  await page.getByTestId('find-job').fill(`fernsby ${on}`);
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await expect(page.getByRole('listitem')).toContainText(`Ottoline Fernsby ${on} · 4 Quern Lane`);
  await page.getByTestId('find-job').fill('nobody of that name');
  await expect(page.getByText('No job is like that')).toBeVisible();
});

test('an address that is none shows a page of ours', async ({ page }) => {
  await page.goto('/nowhere/at/all');
  await expect(page.getByText('There is no such page')).toBeVisible();
  await page.getByRole('button', { name: 'All jobs' }).last().click();
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
});
