import { expect, type Page } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, kept, saved } from './lib/jobs';

/** Asks for it at once, where it has not been sent by itself meanwhile. */
const tryNow = (page: Page): Promise<void> =>
  page
    .getByRole('button', { name: 'Try now' })
    .click({ timeout: 5_000 })
    .catch(() => undefined);

test('goes on without the server, through a reload, and sends everything when it is back', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.route('**/api/**', (route) => route.abort());
  await page.getByTestId('fix-outOfFall').click();
  await page.getByTestId('fix-capacityExceeded').click();
  await expect(page.getByRole('status')).toContainText('2 changes are kept on this device and will be sent.');
  await page.reload();
  await expect(page.getByTestId('verdict')).toContainText('Carries the 10-year rain');
  expect((await kept(request, job)).trunkLower).toMatchObject({ material: 'doubleWall' });
  await page.unroute('**/api/**');
  await tryNow(page);
  await saved(page, job);
  await expect(page.getByRole('status')).toHaveCount(0);
  expect((await kept(request, job)).trunkLower).toMatchObject({ material: 'smooth' });
});

test('makes a new job without the server', async ({ page, request }) => {
  await page.goto('/new');
  await page.route('**/api/jobs**', (route) => route.abort());
  await page.getByTestId('new-name').fill('Made in the yard');
  for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'One less' }).click();
  await page.getByTestId('new-area-1').fill('500');
  await page.getByTestId('new-length-1').fill('30');
  await page.getByTestId('new-out').fill('-2');
  await page.getByTestId('new-create').click();
  await expect(page.getByRole('status')).toContainText('One change is kept on this device');
  const job = new URL(page.url()).pathname.split('/')[2]!;
  await page.reload();
  await expect(page.getByTestId('verdict')).toContainText('Carries');
  await page.unroute('**/api/jobs**');
  await tryNow(page);
  await saved(page, job);
  expect((await kept(request, job)).job).toMatchObject({ name: 'Made in the yard' });
});

test('shows both sides when another device changed the same thing', async ({ page, request }) => {
  const job = await copyOfSample(request);
  const name = (text: string) =>
    request.post(`/api/jobs/${job}/changes`, {
      data: {
        change: `other-device-${text}`,
        label: 'Name it',
        puts: [
          {
            base: text === 'one' ? 1 : 2,
            element: { id: 'wye2', kind: 'junction', form: 'wye', name: `Wye ${text}`, groundLevel: -0.27 },
          },
        ],
        removes: [],
      },
    });
  // Where nothing is heard from the server: else the other's name would be here before this one is typed.
  await page.route('**/api/events', (route) => route.abort());
  await page.goto(`/job/${job}/walk?at=wye2`);
  const field = page.getByRole('textbox', { name: 'Name' });
  await expect(field).toHaveValue('Wye 2');
  expect((await name('one')).ok()).toBe(true);
  await field.fill('My wye');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Another device changed Wye one meanwhile.');
  await expect(page.getByRole('alert')).toContainText('Wye one, name: yours “My wye”, theirs “Wye one”');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page, job);
  expect((await kept(request, job)).wye2).toMatchObject({ name: 'My wye' });
});

test('says so when a job is not here, and when the server never answered', async ({ page }) => {
  await page.goto('/job/nosuchjob/plan');
  await expect(page.getByText('This job is not here')).toBeVisible();
  await page.route('**/api/**', (route) => route.abort());
  await page.goto('/job/neverseen/plan');
  await expect(page.getByText('The server is out of reach')).toBeVisible();
  await page.goto('/');
  await expect(page.getByText('The server is out of reach')).toBeVisible();
});
