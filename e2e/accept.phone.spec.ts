import { expect } from '@playwright/test';
import { copyOfSample } from './lib/jobs';
import { test } from './lib/test';

test('a customer reads the offer, asks, signs by finger, and the office sees it; a change wants a signature of its own', async ({
  page,
  request,
  browser,
  served,
}) => {
  const id = await copyOfSample(request);
  const saved = (seq: number): Promise<void> =>
    expect.poll(async () => (await (await request.get(`/api/jobs/${id}`)).json()) as unknown).toMatchObject({ seq });
  // A plan with a Stop is nobody's to sign for.
  await page.goto(`/job/${id}/plan`);
  await page.getByTestId('fix-outOfFall').click();
  await saved(1);
  const { link } = (await (
    await request.post(`/api/jobs/${id}/shares`, { data: { audience: 'customer', days: 30 } })
  ).json()) as { link: string };
  const customer = await (
    await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  ).newPage();
  const said: string[] = [];
  customer.on('console', (message) => message.type() === 'error' && said.push(message.text()));
  await customer.goto(new URL(link, served).href);
  await customer.locator('#asker').fill('Rosa Vik');
  await customer.locator('#question').fill('Will the lawn be mended?');
  await customer.locator('#ask').click();
  await expect(customer.getByText('Not answered yet.')).toBeVisible();
  await page.goto(`/job/${id}/build?at=~paper`);
  await page.getByTestId('answer').fill('Sod is put back as it was.');
  await page.getByTestId('send-answer').click();
  await expect(page.getByText('Answered: Sod is put back as it was.')).toBeVisible();
  await customer.reload();
  await expect(customer.getByText('Sod is put back as it was.')).toBeVisible();
  // Nothing is taken without a name, a signature and a tick, and each is said.
  const accept = customer.locator('#accept');
  for (const [words, next] of [
    ['Write your name.', () => customer.locator('#name').fill('Rosa Vik')],
    [
      'Sign in the field',
      async () => {
        const box = (await customer.locator('#pad').boundingBox())!;
        await customer.mouse.move(box.x + 30, box.y + 60);
        await customer.mouse.down();
        for (let k = 1; k <= 12; k++)
          await customer.mouse.move(box.x + 30 + 20 * k, box.y + 60 + (k % 2 === 0 ? 25 : -25));
        await customer.mouse.up();
      },
    ],
    ['Tick that you have read it.', () => customer.locator('#agreed').check()],
  ] as const) {
    await accept.click();
    await expect(customer.locator('#said')).toContainText(words);
    await customer.locator('#pad').scrollIntoViewIfNeeded();
    await next();
  }
  await accept.click();
  await expect(customer.getByText(/^Accepted by Rosa Vik/)).toBeVisible();
  await expect(customer.locator('#accept')).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId('accepted')).toContainText(/Rosa Vik accepted \$/);
  await expect(page.getByTestId('accepted').getByRole('img')).toBeVisible();
  await page.goto(`/job/${id}/plan`);
  await page.getByTestId('fix-capacityExceeded').click();
  await saved(2);
  await customer.reload();
  await expect(customer.getByText('Accept the change', { exact: true })).toBeVisible();
  await page.goto(`/job/${id}/build?at=~paper`);
  await expect(page.getByTestId('accepted')).toContainText('change order');
  // Nothing that the page does is against its own policy.
  expect(said).toEqual([]);
  await customer.context().close();
});
