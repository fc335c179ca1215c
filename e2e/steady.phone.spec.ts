/** What is under a thumb stays under it, whatever comes up or goes in the lists above it. */
import { expect, type Page } from '@playwright/test';
import { fingersOn } from './lib/fingers';
import { copyOfSample, gripOnCopy, kept, saved } from './lib/jobs';
import { settled } from './lib/settled';
import { test } from './lib/test';

/** Where the grip of a landing stands on the screen, and how far down the page its descent begins, px. */
const stands = (page: Page, id: string): Promise<{ y: number; begins: number }> =>
  page.evaluate((of) => {
    const grip = document.querySelector(`[data-testid=handle-${of}]`)!;
    const list = grip.closest('[role=list]')!;
    let scroller = list.parentElement!;
    while (scroller.scrollHeight <= scroller.clientHeight + 1) scroller = scroller.parentElement!;
    return { y: grip.getBoundingClientRect().top, begins: list.getBoundingClientRect().top + scroller.scrollTop };
  }, id);

/** Looks in a row, so many ms apart, in which a landing stands where it did: a browser lays out what is near the sight without a word of it. */
const SETTLED = { looks: 14, apart: 150 };

/** Waits until a landing and the beginning of its descent stay where they are, what is out of sight drawn as tall as it is. */
async function levelSettled(page: Page, id: string): Promise<void> {
  await settled(page);
  let last = '';
  let same = 0;
  const look = async (): Promise<number> => {
    const now = JSON.stringify(await stands(page, id));
    same = now === last ? same + 1 : 0;
    last = now;
    return same;
  };
  await expect.poll(look, { intervals: [SETTLED.apart] }).toBeGreaterThanOrEqual(SETTLED.looks);
}

test('a level set by its grip leaves it where it was let go, while a snag comes up above; and so does undo', async ({
  page,
  request,
}) => {
  const grip = await gripOnCopy(page, request, 'wye1');
  await levelSettled(page, 'wye1');
  const before = await stands(page, 'wye1');
  // Looked at more than once: between a frame's layout and what holds the place in it, nothing is painted.
  const moved = async (): Promise<number> => Math.abs((await stands(page, 'wye1')).y - before.y);
  const { x, y } = (await grip.boundingBox())!;
  await page.mouse.move(x + 22, y + 22);
  await page.mouse.down();
  await page.mouse.move(x + 22, y + 50, { steps: 4 });
  await page.mouse.move(x + 22, y + 22, { steps: 4 });
  await page.mouse.up();
  // A snag more above it: the whole descent has moved down on its page.
  await expect.poll(async () => (await stands(page, 'wye1')).begins).toBeGreaterThan(before.begins + 40);
  await expect.poll(moved).toBeLessThan(8);
  await page.getByTestId('undo').click();
  await expect.poll(async () => (await stands(page, 'wye1')).begins).toBeLessThan(before.begins + 2);
  await expect.poll(moved).toBeLessThan(8);
});

test('what is tapped while a field is being left is done, and what was typed in it as well', async ({
  page,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan?at=trunkLower`);
  const length = page.getByTestId('run-length');
  await length.fill("61'");
  const cars = page.getByRole('radio', { name: 'Cars' }).first();
  await cars.tap();
  await expect(cars).toBeChecked();
  await saved(page, job);
  await settled(page);
  await expect(cars).toBeChecked();
  await expect(length).toHaveValue('61′');
});

test('what a finger came down on is pressed, whatever lies under it as it is lifted', async ({ page, request }) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  const [meant, other] = [page.getByTestId('fix-capacityExceeded'), page.getByTestId('fix-gutterSpills')];
  await other.scrollIntoViewIfNeeded();
  await expect(meant).toContainText('Make it smooth PVC');
  const [from, to] = [(await meant.boundingBox())!, (await other.boundingBox())!];
  const send = await fingersOn(page);
  await send('touchStart', [{ x: from.x + 30, y: from.y + 20 }]);
  await meant.evaluate((button, by) => {
    let list = button.parentElement!;
    while (!list.querySelector('[data-testid=fix-gutterSpills]')) list = list.parentElement!;
    list.style.transform = `translateY(${by}px)`;
  }, from.y - to.y);
  await send('touchEnd', []);
  await expect(page.getByTestId('undo')).toBeEnabled();
  await saved(page, job);
  expect((await kept(request, job)).trunkLower).toMatchObject({ material: 'smooth' });
});

/** All that the plan says, but for the fixes of snags, which are sought as they come in sight. */
const said = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('[data-testid=verdict], [role=list], [role=region]')].map((part) => {
      const copy = part.cloneNode(true) as Element;
      for (const fix of copy.querySelectorAll('[data-testid^=fix-], [role=status]')) fix.remove();
      return copy.textContent.replace(/No single change that was tried mends this\./g, '');
    }),
  );

test('whatever was done to it, and however fast, the plan comes to say what it says when it is opened anew', async ({
  page,
  context,
  request,
}) => {
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  await settled(page);
  const undo = page.getByTestId('undo');
  const scrollTo = (share: number): Promise<void> =>
    page
      .getByRole('region', { name: 'Plan' })
      .evaluate((plan, to) => void (plan.scrollTop = to * plan.scrollHeight), share);
  const fix = page.locator('[data-testid^=fix-]').first();
  const acts: (() => Promise<unknown>)[] = [
    () => fix.tap(),
    () => scrollTo(0.5),
    () => undo.tap(),
    () => fix.tap(),
    () => scrollTo(1),
    () => undo.tap(),
    () => scrollTo(0),
    () => fix.tap(),
    () => page.getByRole('radio', { name: 'One pitch' }).tap(),
  ];
  for (const [k, act] of acts.entries()) {
    await act();
    if (k % 3 !== 2) continue;
    await saved(page, job);
    await settled(page);
    const anew = await context.newPage();
    await anew.goto(`/job/${job}/plan`);
    await settled(anew);
    expect(await said(page)).toEqual(await said(anew));
    await anew.close();
    await page.bringToFront();
  }
});
