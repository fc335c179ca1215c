/** The storm on a wide screen, where motion is not wanted, and two options in the same storm. */
import { expect } from '@playwright/test';
import { test } from './lib/test';

test('where motion is not wanted the storm is stills at its telling times, and stepped by key', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto('/job/quillfeather/storm');
  await expect(page.getByTestId('storm-sentence')).toContainText(/^In the 10-year storm water stays/);
  await expect(page.getByTestId('storm-play')).toHaveCount(0);
  const time = page.getByTestId('storm-time');
  await page.getByRole('radio', { name: 'Rain over' }).click();
  await expect(time).toHaveText('1:00');
  await page.getByRole('button', { name: 'A step on' }).click();
  await expect(time).toHaveText('1:01');
  await page.getByRole('radio', { name: 'Most water' }).click();
  await expect(time).toHaveText(/0:3\d/);
  await expect(page.getByTestId('storm-section')).toBeVisible();
});

test('two options of one job stand in the same storm, on one scrubber, with the difference at each door', async ({
  page,
}) => {
  await page.goto('/job/quillfeather/build?at=~options');
  await page.getByTestId('keep-aside').click();
  await expect(page.getByTestId('option')).toHaveCount(2);
  await page.goto('/job/quillfeather/storm');
  await expect(page.getByTestId('storm-sentence')).toContainText(/^In the 10-year storm/);
  const beside = page.getByTestId('storm-beside');
  await beside.getByRole('radio', { name: 'First plan' }).click();
  await expect(beside).toContainText(/First plan: In the 10-year storm water stays/);
  // The copy is as yet the same.
  await expect(beside).toContainText(/Kennel door drain: as near in both\./);
  await expect(page.getByTestId('storm-picture-beside')).toBeVisible();
});
