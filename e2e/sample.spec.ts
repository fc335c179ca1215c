import { expect } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, kept, saved } from './lib/jobs';

const NAME = 'Quillfeather Animal Clinic';

test('opens the sample from the list and says in one look whether the water gets away', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: new RegExp(`^${NAME}`) })
    .last()
    .click();
  await expect(page.getByTestId('verdict')).toContainText(
    'Line A lacks 7/8\u00a0in of fall: it runs out 13′\u00a011″ before Roadside swale.',
  );
  await expect(page.getByTestId('verdict')).toContainText('1 Stop · 1 Fix');
  await expect(page.getByTestId('run-trunkLower')).toContainText('225 gpm');
});

test('is solved by its fixes, undone, redone, and found kept after a reload', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  const verdict = page.getByTestId('verdict');
  await page.getByTestId('fix-outOfFall').click();
  await expect(verdict).toContainText('Wye 2 to Roadside swale is too small: 225 gpm in a pipe that holds 193 gpm.');
  await page.getByTestId('fix-capacityExceeded').click();
  await expect(verdict).toContainText(
    'Carries the 10-year rain to the swale with 1/8 in of fall to spare, for pitch alone; openings stay dry in the 100-year.',
  );
  // Out of sight on a phone, and drawn all the same once nothing more is done.
  await expect(page.getByTestId('run-trunkLower')).toContainText('6 in PVC');
  await page.getByTestId('undo').click();
  await expect(verdict).toContainText('too small');
  await expect(page.getByTestId('run-trunkLower')).toContainText('6 in Double-wall');
  await page.getByTestId('redo').click();
  await expect(verdict).toContainText('Carries the 10-year rain');
  await saved(page, job);
  expect((await kept(request, job)).trunkLower).toMatchObject({ material: 'smooth' });
  await page.reload();
  await expect(verdict).toContainText('Carries the 10-year rain to the swale');
  await page.goto('/');
  await expect(page.getByRole('link', { name: /^Copy of the clinic. (Holds|Mind)/ }).first()).toBeVisible();
});

test('shows what each size would give, and a changed size changes the verdict at once', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  await page.getByTestId('run-runBasin').click();
  const sizes = page.getByRole('radiogroup', { name: 'Size: what each would give' });
  await expect(sizes.getByRole('radio', { name: /^3 in: 51.6 gpm at 1.00%, too small, −\$\d+$/ })).toBeVisible();
  await expect(sizes.getByRole('radio', { name: /^4 in/ })).toBeChecked();
  await sizes.getByRole('radio', { name: /^3 in/ }).click();
  await expect(page.getByTestId('verdict')).toContainText('2 Stop · 3 Fix');
  await expect(
    page.getByText('Lawn basin to Wye 1 is too small: 86.7 gpm in a pipe that holds', { exact: false }).first(),
  ).toBeVisible();
  await saved(page, job);
  await page.reload();
  await expect(sizes.getByRole('radio', { name: /^3 in/ })).toBeChecked();
});

test('opens the working of a figure with the job’s own numbers', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan?at=trunkLower`);
  await page.getByRole('button', { name: /^Holds full 193/ }).click();
  const working = page.getByRole('region', { name: 'Working of Full capacity' });
  await expect(working).toContainText('D = 6 in inside = 0.5000 ft');
  await expect(working).toContainText('S = 0.50%, n = 0.012');
  await expect(working).toContainText('Chow');
  await working.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByRole('button', { name: /^Carries 225/ })).toBeVisible();
});

test('drags a landing: the line re-pitches under the finger, and undo brings it back', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  const handle = page.getByTestId('handle-wye1');
  await handle.scrollIntoViewIfNeeded();
  const pitch = page.getByTestId('run-runBasin');
  await expect(pitch).toContainText('1.00%');
  const box = (await handle.boundingBox())!;
  const x = box.x + box.width / 2;
  const y = box.y + box.height / 2;
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + 60, { steps: 6 });
  await expect(pitch).not.toContainText('1.00%');
  const during = await pitch.textContent();
  await page.mouse.up();
  await expect(page.getByTestId('landing-wye1')).toContainText('set by you');
  expect(await pitch.textContent()).toBe(during);
  await saved(page, job);
  expect(((await kept(request, job)).trunkUpper as { grade: { up: number } }).grade.up).toBeLessThan(-0.85);
  await page.reload();
  await expect(page.getByTestId('landing-wye1')).toContainText('set by you');
});

test('turns the pitch dial, and lets the line find its own pitch again', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan?at=runStreet`);
  const dial = page.getByTestId('pitch-dial');
  await dial.scrollIntoViewIfNeeded();
  const box = (await dial.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  // 90 px a per cent: from 6.88 % down by one.
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + 20, { steps: 5 });
  await page.mouse.up();
  await expect(dial).toHaveAttribute('aria-valuenow', /^5\.[89]/);
  await page.getByRole('radio', { name: 'Finds its own' }).click();
  await expect(dial).toHaveAttribute('aria-valuenow', '6.88');
});

test('says beside the field what is wrong and keeps what was typed', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan?at=runBasin`);
  const length = page.getByTestId('run-length');
  for (const [typed, says] of [
    ['twelve', /Write a length such as/],
    ['-5', /A length is more than zero/],
    ['', /This is needed/],
  ] as const) {
    await length.fill(typed);
    await length.blur();
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    await expect(length).toHaveValue(typed);
  }
  await length.fill(`40'6"`);
  await length.press('Enter');
  await expect(length).toHaveValue('40′\u00a06″');
  await saved(page, job);
  expect((await kept(request, job)).runBasin).toMatchObject({ length: 40.5 * 0.3048 });
});

test('changes units for the whole job', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan?at=job`);
  await page.getByRole('radio', { name: 'Metric' }).click();
  await expect(page.getByTestId('verdict')).toContainText('4.25 m before Roadside swale');
});
