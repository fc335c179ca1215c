import { expect, test, type Page } from '@playwright/test';
import { copyOfSample } from './jobs';

/** What the application may add to the time that the browser itself takes from a pointer to the next picture, ms, at the 95th percentile. */
const LIMIT = 50;

/** Pointer to picture, ms: from the pointer's own time stamp to the end of the frame that drew what it changed. */
async function watch(page: Page): Promise<void> {
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(globalThis, { pointerToPicture: times });
    let since: number | null = null;
    addEventListener('pointermove', (event) => {
      since ??= event.timeStamp;
    }, { capture: true });
    new MutationObserver(() => {
      const from = since;
      if (from === null) return;
      since = null;
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => times.push(performance.now() - from);
        port2.postMessage(null);
      });
    }).observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
  });
}

/** Drags up and down from a point; gives the median and the 95th percentile of pointer to picture. */
async function drag(page: Page, x: number, y: number): Promise<{ median: number; p95: number }> {
  await page.evaluate(() => void ((globalThis as unknown as { pointerToPicture: number[] }).pointerToPicture.length = 0));
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 60; k++) {
    await page.mouse.move(x, y + 30 * Math.sin(k / 6) + 12);
    await page.waitForTimeout(25);
  }
  const times = await page.evaluate(() => [...(globalThis as unknown as { pointerToPicture: number[] }).pointerToPicture].sort((a, b) => a - b));
  await page.mouse.move(x, y, { steps: 3 });
  await page.mouse.up();
  expect(times.length).toBeGreaterThan(40);
  const at = (share: number): number => times[Math.floor((times.length - 1) * share)]!;
  return { median: at(0.5), p95: at(0.95) };
}

/** A page that does nothing but move one box and change one word: what this browser on this machine needs at least. */
const BARE = `<body style="margin:0"><div id="box" style="position:absolute;top:0">0</div><script>addEventListener('pointermove', (event) => { box.style.top = event.clientY + 'px'; box.textContent = event.clientY; });</script>`;

test('a dragged landing is on the screen within a frame or two, on a slow phone', async ({ page, context, request }, info) => {
  test.skip(info.project.name !== 'phone', 'measured once, on the phone');
  const job = await copyOfSample(request);
  const bare = await context.newPage();
  await bare.setContent(BARE);
  await page.goto(`/job/${job}/plan`);
  const handle = page.getByTestId('handle-wye1');
  await handle.scrollIntoViewIfNeeded();
  for (const each of [bare, page]) {
    await watch(each);
    await (await context.newCDPSession(each)).send('Emulation.setCPUThrottlingRate', { rate: 4 });
  }
  // The machine is shared, and what else runs on it only ever adds: the best of some rounds is nearest to the truth. The first warms up.
  const ours: { median: number; p95: number }[] = [];
  const least: { median: number; p95: number }[] = [];
  for (let round = 0; round < 4; round++) {
    await bare.bringToFront();
    const empty = await drag(bare, 200, 400);
    await page.bringToFront();
    const box = (await handle.boundingBox())!;
    const full = await drag(page, box.x + box.width / 2, box.y + box.height / 2);
    await page.getByTestId('undo').click();
    if (round === 0) continue;
    least.push(empty);
    ours.push(full);
  }
  const best = (all: typeof ours, key: 'median' | 'p95'): number => Math.min(...all.map((each) => each[key]));
  const added = best(ours, 'p95') - best(least, 'p95');
  console.log(`pointer to picture, 4x slower, best of three: median ${best(ours, 'median').toFixed(0)} ms, p95 ${best(ours, 'p95').toFixed(0)} ms; an empty page: median ${best(least, 'median').toFixed(0)} ms, p95 ${best(least, 'p95').toFixed(0)} ms`);
  expect(added).toBeLessThan(LIMIT);
});
