import { expect } from '@playwright/test';
import { test } from './lib/test';
import { copyOfSample, kept, saved } from './lib/jobs';

test('a pop-up says what stays in its line, and is drained; a main is found, and told when it is full; all of it is there after a reload', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  const verdict = page.getByTestId('verdict');
  const type = async (name: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name }).fill(value);
    await page.getByRole('textbox', { name }).press('Enter');
  };
  await page.goto(`/job/${job}/walk?at=swale`);
  await page.getByRole('radio', { name: /^Pop-up/ }).click();
  await expect(verdict).toContainText('The line behind Roadside swale holds water');
  await expect(page.getByText(/^Holds \S+\sin of water over .*\sgal: nothing drains it\.$/)).toBeVisible();
  await page.getByRole('radio', { name: /^Leaching tee/ }).click();
  await page.getByRole('radio', { name: 'Sand', exact: true }).click();
  await expect(page.getByText(/it is empty .* hours after the rain\.$/)).toBeVisible();
  await expect(verdict).not.toContainText('holds water');
  // What was typed badly stays, with its sentence.
  await type('Soil that it wets', 'a bucket');
  await expect(page.getByRole('alert')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Soil that it wets' })).toHaveValue('a bucket');
  await type('Soil that it wets', '20');

  await page.getByRole('radio', { name: /^Into an existing main/ }).click();
  await expect(page.getByRole('radiogroup', { name: 'Into' })).toHaveCount(0);
  await type('Invert of the main', '');
  await expect(verdict).toContainText('Nobody has said how deep Roadside swale lies.');
  await type('Invert of the main', "-4'");
  await type('Inside diameter of the main', '1/4 in');
  await expect(page.getByRole('alert')).toContainText('A pipe is between 3/4');
  await type('Inside diameter of the main', '6 in');
  await type('Pitch of the main', '1%');
  await type('Others send down it', '100 gpm');
  await expect(verdict).toContainText(/has no room: \d+\sgpm in a main that holds 218\sgpm/);
  await saved(page, job);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Inside diameter of the main' })).toHaveValue(/^6\sin$/);
  expect((await kept(request, job)).swale).toMatchObject({
    form: 'main',
    mainPitch: 0.01,
    drain: { type: 'leach', soil: 'sand' },
  });
});
