// Times a first and a second visit on a slow phone: four times slower, 400 ms away, 1.6 megabits a second.
import { withPages } from './lib/served.mjs';

const SLOWER = 4;
const NETWORK = { offline: false, latency: 400, downloadThroughput: 1.6e6 / 8, uploadThroughput: 0.75e6 / 8 };
const ROUNDS = 5;

/** ms from the start of the visit: to the first thing painted, and to the first job that can be tapped. */
async function visit(context, base, settle) {
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  await devtools.send('Network.enable');
  await devtools.send('Network.emulateNetworkConditions', NETWORK);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await page.goto(base, { waitUntil: 'commit' });
  await page
    .getByRole('link', { name: /^Quillfeather/ })
    .first()
    .waitFor({ timeout: 60_000 });
  const usable = await page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => setTimeout(() => done(performance.now())))),
  );
  const painted = await page.evaluate(
    () => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN,
  );
  const bytes = await page.evaluate(() =>
    performance.getEntriesByType('resource').reduce((sum, { transferSize }) => sum + transferSize, 0),
  );
  await settle?.(page);
  await page.close();
  return { painted, usable, bytes };
}

const round = (value) => `${(value / 1000).toFixed(2)} s`;

await withPages(4897, async (browser, base) => {
  const first = [];
  const second = [];
  for (let k = 0; k < ROUNDS; k++) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
    first.push(
      await visit(context, base, async (page) => {
        // What is kept on the device comes after the page: the second visit finds it there.
        await page.evaluate(() => navigator.serviceWorker?.ready.then(() => undefined));
        await page.waitForTimeout(500);
      }),
    );
    second.push(await visit(context, base));
    await context.close();
  }
  const told = (visits) => {
    const least = visits.reduce((a, b) => (a.usable <= b.usable ? a : b));
    return `painted ${round(least.painted)}, a job can be tapped ${round(least.usable)}, ${(least.bytes / 1000).toFixed(0)} kB (best of ${visits.length}; all: ${visits.map(({ usable }) => round(usable)).join(', ')})`;
  };
  console.log(`first visit, 4x slower, 400 ms, 1.6 Mbps:  ${told(first)}`);
  console.log(`second visit:                              ${told(second)}`);
});
