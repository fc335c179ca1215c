import { expect, test } from '@playwright/test';

test('has no thing to tap smaller than 44 px on the plan', async ({ page }) => {
  await page.goto('/job/quillfeather/plan?at=trunkLower');
  await expect(page.getByTestId('pitch-dial')).toBeAttached();
  const small = await page.evaluate(() =>
    [...document.querySelectorAll('[role=button],[role=radio],[role=link],input')]
      .map((element) => ({
        name: element.getAttribute('aria-label'),
        ...(element.getBoundingClientRect().toJSON() as { width: number; height: number }),
      }))
      // A stretch of the budget bar is a picture that can also be tapped; the same runs stand large in the descent.
      .filter(({ name, height }) => height > 0 && height < 43.5 && !/ needs /.test(name ?? '')),
  );
  expect(small).toEqual([]);
});
