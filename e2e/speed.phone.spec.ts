import { expect, test, type Page } from '@playwright/test';
import { copyOfSample } from './jobs';

/** Most that the picture may be behind the pointer, ms, half of the time; and what the application may add, at the 95th percentile, to what the browser itself takes. */
const MEDIAN = 50;
const ADDED = 60;

/** Pointer to picture, ms: from the pointer's own time stamp to the end of the frame that drew what it changed. */
async function watch(page: Page): Promise<void> {
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(globalThis, { pointerToPicture: times });
    let since: number | null = null;
    addEventListener(
      'pointermove',
      (event) => {
        since ??= event.timeStamp;
      },
      { capture: true },
    );
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
  await page.evaluate(
    () => void ((globalThis as unknown as { pointerToPicture: number[] }).pointerToPicture.length = 0),
  );
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 60; k++) {
    await page.mouse.move(x, y + 30 * Math.sin(k / 6) + 12);
    await page.waitForTimeout(25);
  }
  const times = await page.evaluate(() =>
    [...(globalThis as unknown as { pointerToPicture: number[] }).pointerToPicture].sort((a, b) => a - b),
  );
  await page.mouse.move(x, y, { steps: 3 });
  await page.mouse.up();
  expect(times.length).toBeGreaterThan(40);
  const at = (share: number): number => times[Math.floor((times.length - 1) * share)]!;
  return { median: at(0.5), p95: at(0.95) };
}

/** A page that does nothing but move one box and change one word: what this browser on this machine needs at least. */
const BARE = `<body style="margin:0"><div id="box" style="position:absolute;top:0">0</div><script>addEventListener('pointermove', (event) => { box.style.top = event.clientY + 'px'; box.textContent = event.clientY; });</script>`;

const ROUNDS = 3;

/** The best of some rounds after one that warms up: the machine is shared, and what else runs on it only ever adds. */
async function best(
  page: Page,
  at: () => Promise<{ x: number; y: number }>,
  after: () => Promise<void>,
): Promise<{ median: number; p95: number }> {
  await watch(page);
  await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const rounds: { median: number; p95: number }[] = [];
  for (let round = 0; round <= ROUNDS; round++) {
    const { x, y } = await at();
    rounds.push(await drag(page, x, y));
    await after();
  }
  const least = (key: 'median' | 'p95'): number => Math.min(...rounds.slice(1).map((each) => each[key]));
  return { median: least('median'), p95: least('p95') };
}

test('a dragged landing is on the screen within a frame or two, on a slow phone', async ({
  page,
  context,
  request,
}) => {
  test.setTimeout(120_000);
  const bare = await context.newPage();
  await bare.setContent(BARE);
  const empty = await best(
    bare,
    async () => ({ x: 200, y: 400 }),
    async () => undefined,
  );
  await bare.close();
  const job = await copyOfSample(request);
  await page.goto(`/job/${job}/plan`);
  const handle = page.getByTestId('handle-wye1');
  await handle.scrollIntoViewIfNeeded();
  const ours = await best(
    page,
    async () => {
      const box = (await handle.boundingBox())!;
      return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    },
    () => page.getByTestId('undo').click(),
  );
  console.log(
    `pointer to picture, 4x slower, best of ${ROUNDS}: median ${ours.median.toFixed(0)} ms, p95 ${ours.p95.toFixed(0)} ms; an empty page: median ${empty.median.toFixed(0)} ms, p95 ${empty.p95.toFixed(0)} ms`,
  );
  expect(ours.median).toBeLessThan(MEDIAN);
  expect(ours.p95 - empty.p95).toBeLessThan(ADDED);
});
