import { expect, type Page } from '@playwright/test';
import { fingersOn, type Spot } from './lib/fingers';
import { settled, still } from './lib/settled';
import { test } from './lib/test';
import { copyOfSample, gripOnCopy, kept, saved } from './lib/jobs';

/** Touch events as a finger sends them: down, moves after a rest, up. */
async function finger(page: Page, from: Spot, by: number, rest: number): Promise<void> {
  const send = await fingersOn(page);
  await send('touchStart', [from]);
  await page.waitForTimeout(rest);
  for (let k = 1; k <= 8; k++) {
    await send('touchMove', [{ x: from.x, y: from.y + (by * k) / 8 }]);
    await page.waitForTimeout(16);
  }
  await send('touchEnd', []);
}

test('a first verdict takes at most nine taps and 25 characters', async ({ page }) => {
  let [taps, characters] = [0, 0];
  const tap = async (target: ReturnType<Page['getByTestId']>): Promise<void> => {
    taps++;
    await target.tap();
  };
  const type = async (text: string): Promise<void> => {
    characters += text.length;
    await page.keyboard.type(text);
  };
  await page.goto('/');
  await tap(page.getByRole('button', { name: 'New job', exact: true }));
  for (const [k, area, length] of [
    [1, '900', '40'],
    [2, '600', '35'],
    [3, '750', '50'],
  ] as const) {
    await tap(page.getByTestId(`new-area-${k}`));
    await type(area);
    await tap(page.getByTestId(`new-length-${k}`));
    await type(length);
  }
  await tap(page.getByTestId('new-out'));
  await type('-4');
  const verdict = page.getByTestId('new-verdict');
  await expect(verdict).toBeVisible();
  const said = (await verdict.textContent())!;
  await tap(page.getByTestId('new-create'));
  await expect(page.getByTestId('verdict')).toContainText(said);
  expect(taps).toBeLessThanOrEqual(9);
  expect(characters).toBeLessThanOrEqual(25);
});

test('a run and its landings stay in sight while it is chosen, and the choice is under the thumb', async ({ page }) => {
  for (const [width, height] of [
    [360, 640],
    [390, 844],
    [430, 932],
  ] as const) {
    await page.setViewportSize({ width, height });
    await page.goto('/job/quillfeather/plan?at=trunkLower');
    const sheet = page.getByTestId('sheet');
    await expect(sheet).toBeVisible();
    await settled(page);
    const top = (await sheet.boundingBox())!.y;
    const head = (await page.getByRole('banner').boundingBox())!;
    expect(top - head.height).toBeGreaterThanOrEqual(0.395 * height);
    for (const id of ['landing-wye2', 'run-trunkLower', 'landing-swale']) {
      const box = (await page.getByTestId(id).boundingBox())!;
      expect(box.y + box.height).toBeLessThanOrEqual(top + 1);
      expect(box.y).toBeGreaterThanOrEqual(head.height - 1);
    }
    const chip = (await page.getByRole('radio', { name: /^6 in/ }).boundingBox())!;
    expect(chip.y).toBeGreaterThan(height * 0.4);
    expect(chip.y + chip.height).toBeLessThanOrEqual(height);
  }
  await page.getByRole('button', { name: 'Larger' }).tap();
  await expect(page.getByRole('button', { name: 'Smaller' })).toBeVisible();
});

test('its landings and its size are in sight beside its sheet as well: on a phone on its side, a tablet and at a desk', async ({
  page,
}) => {
  for (const [width, height] of [
    [740, 360],
    [844, 390],
    [932, 430],
    [1024, 768],
    [1280, 800],
    [1920, 1080],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const [from, run, to] of [
      ['wye2', 'trunkLower', 'swale'],
      ['basin', 'runBasin', 'wye1'],
    ]) {
      await page.goto(`/job/quillfeather/plan?at=${run}`);
      await expect(page.getByTestId('sheet')).toBeVisible();
      await settled(page);
      const head = (await page.getByRole('banner').boundingBox())!;
      const size = page.getByRole('radiogroup', { name: /^Size/ }).locator('[aria-checked=true]');
      for (const part of [page.getByTestId(`run-${run}`), page.getByTestId(`landing-${from}`), size]) {
        const box = (await part.boundingBox())!;
        expect(box.y).toBeGreaterThanOrEqual(head.y + head.height - 1);
        expect(box.y + box.height).toBeLessThanOrEqual(height);
      }
      // Its words begin in sight: on a long line its lower end may stand far from it.
      if (run === 'trunkLower' || height < 500)
        expect((await page.getByTestId(`landing-${to}`).boundingBox())!.y).toBeLessThan(height - 20);
    }
  }
});

test('a swipe over a level scrolls the page; only a finger that has rested on the grip moves it', async ({
  page,
  request,
}) => {
  const grip = await gripOnCopy(page, request, 'wye1');
  await still(grip);
  const before = (await grip.boundingBox())!;
  await finger(page, { x: before.x + 22, y: before.y + 22 }, -120, 0);
  await still(grip);
  expect(await page.getByTestId('landing-wye1').textContent()).not.toContain('set by you');
  expect(Math.abs((await grip.boundingBox())!.y - before.y)).toBeGreaterThan(20);
  const now = (await grip.boundingBox())!;
  await finger(page, { x: now.x + 22, y: now.y + 22 }, 60, 450);
  await expect(page.getByTestId('landing-wye1')).toContainText('set by you');
});

test('Back and Escape close the top thing first, and focus goes into a sheet and back', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /^Quillfeather/ })
    .first()
    .click();
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.getByTestId('run-runBasin').click();
  await expect(page.getByTestId('sheet')).toBeFocused();
  await page.goBack();
  await expect(page.getByTestId('sheet')).toHaveCount(0);
  await expect(page).toHaveURL(/\/plan$/);
  await page.getByRole('link', { name: 'Yard' }).click();
  await page.getByTestId('view-walk').click();
  await page.getByTestId('item-basin').click();
  const name = page.getByRole('textbox', { name: 'Name' });
  await name.fill('Half typed');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('sheet')).toHaveCount(0);
  await expect(page.getByTestId('item-basin')).toBeFocused();
  // What was typed was taken before its box went.
  await expect(page.getByTestId('item-basin')).toContainText('Half typed');
  await page.getByTestId('undo').click();
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.keyboard.type('door drain');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Kennel door drain', level: 2 })).toBeVisible();
});

test('chips go by arrow keys, the pitch dial takes focus, and each page has one heading of the first level', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan?at=runBasin`);
  await page.getByRole('radio', { name: /^4 in/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: /^6 in/ })).toBeFocused();
  await page.keyboard.press(' ');
  await expect(page.getByRole('radio', { name: /^6 in/ })).toBeChecked();
  // The chip is the chosen one at once; what follows from it stands on the dial a moment later.
  await settled(page);
  const dial = page.getByTestId('pitch-dial');
  await dial.focus();
  const before = Number(await dial.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Number(await dial.getAttribute('aria-valuenow'))).toBeGreaterThan(before);
  for (const path of ['/', '/new', `/job/${job}/plan`, `/job/${job}/walk`, '/bin', '/devices', '/pair', '/nowhere']) {
    await page.goto(path);
    await settled(page);
    await expect(page.getByRole('heading', { level: 1 }), path).toHaveCount(1);
  }
});

test('a run is led elsewhere with what was set of it; what cannot be read survives closing', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan?at=runStreet`);
  const length = page.getByTestId('run-length');
  await length.fill('a stone’s throw');
  await length.blur();
  await expect(page.getByRole('alert')).toContainText('Write a length');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await page.getByTestId('run-runStreet').click();
  await expect(length).toHaveValue('a stone’s throw');
  await expect(page.getByRole('alert')).toContainText('Write a length');
  await length.fill('16');
  await length.press('Enter');
  const before = (await kept(request, job)).runStreet;
  await page.getByRole('radiogroup', { name: 'Leads to' }).getByRole('radio', { name: 'Wye 1' }).click();
  await saved(page, job);
  expect((await kept(request, job)).runStreet).toMatchObject({
    ...before,
    to: 'wye1',
    length: 16 * 0.3048,
    assumed: true,
  });
});

test('what is being typed is taken by Back, and goes on where it was after the phone is turned or the page is gone', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  const laid = async (): Promise<unknown> => ((await kept(request, job)).trunkLower as { length: number }).length;
  await page.goto(`/job/${job}/plan`);
  await page.getByTestId('run-trunkLower').tap();
  const length = page.getByTestId('run-length');
  await length.fill("61'");
  await page.goBack();
  await expect(page.getByTestId('sheet')).toBeHidden();
  await expect.poll(laid).toBeCloseTo(61 * 0.3048, 9);
  await page.goForward();
  await length.fill("60'");
  await page.setViewportSize({ width: 844, height: 390 });
  await expect(length).toHaveValue("60'");
  await expect(length).toBeFocused();
  await length.press('End');
  await page.keyboard.type('6"');
  await page.reload();
  await expect(length).toHaveValue(`60'6"`);
  await expect(length).toBeFocused();
  expect(await laid()).toBeCloseTo(61 * 0.3048, 9);
  await page.getByRole('radio', { name: 'Cars' }).first().tap();
  await expect.poll(laid).toBeCloseTo(60.5 * 0.3048, 9);
  await page.reload();
  await expect(length).toHaveValue('60′\u00a06″');
  await expect(length).not.toBeFocused();
});

test('the page follows the device’s theme unless one was chosen', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
  await expect(page.locator('meta[name=theme-color]')).toHaveAttribute('content', '#14181a');
  await page.emulateMedia({ colorScheme: 'light' });
  await expect(page.locator('meta[name=theme-color]')).toHaveAttribute('content', '#f6f2e7');
});
