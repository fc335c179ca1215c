// Times the ground plan under fingers on a phone four times slower: frames while it is moved and made larger, on the sample and on a site of 500 things.
import { makeJob, withPages } from './lib/served.mjs';
import { rising, told } from './lib/times.mjs';

const SLOWER = 4;
const STEPS = 60;

/** Lengths of the page's frames while `move` goes on, ms. */
async function frames(page, move) {
  await page.evaluate(() => {
    globalThis.frames_ = [];
    let last = performance.now();
    const next = (now) => {
      globalThis.frames_.push(now - last);
      last = now;
      globalThis.frame_ = requestAnimationFrame(next);
    };
    globalThis.frame_ = requestAnimationFrame(next);
  });
  await move();
  return page.evaluate(() => {
    cancelAnimationFrame(globalThis.frame_);
    return globalThis.frames_.slice(2);
  });
}

async function gestures(context, address, called) {
  const page = await context.newPage();
  await page.goto(address);
  await page.getByTestId('ground-plan').waitFor();
  await page.waitForTimeout(2500);
  const box = await page.getByTestId('ground-plan').boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const touch = await page.context().newCDPSession(page);
  await touch.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  const send = (type, touchPoints) => touch.send('Input.dispatchTouchEvent', { type, touchPoints });
  const pan = await frames(page, async () => {
    await send('touchStart', [{ x, y }]);
    for (let k = 1; k <= STEPS; k++) await send('touchMove', [{ x: x + 60 * Math.sin(k / 8), y: y + k }]);
    await send('touchEnd', []);
  });
  await page.waitForTimeout(600);
  const pinch = await frames(page, async () => {
    const both = (gap) => [
      { x: x - gap, y },
      { x: x + gap, y },
    ];
    await send('touchStart', both(40));
    for (let k = 1; k <= STEPS; k++) await send('touchMove', both(40 + k));
    await send('touchEnd', []);
  });
  const toldOf = (times) => `${told(rising(times))} of ${times.length}`;
  console.log(`${called}: frames while moved ${toldOf(pan)}; while made larger ${toldOf(pinch)}`);
  await page.close();
}

/** The sample, and things all over it until there are 500. */
async function crowded(base) {
  const { quillfeather } = await import('../server/dist/samples.mjs');
  const elements = [...quillfeather().elements.all];
  for (let k = 0; elements.length < 500; k++) {
    const place = { east: -14 + ((k * 7.3) % 42), north: -24 + ((k * 5.1) % 36) };
    elements.push(
      k % 3 === 0
        ? { id: `tree${k}`, kind: 'tree', name: `Tree ${k}`, place, crown: 2 }
        : k % 3 === 1
          ? {
              id: `fence${k}`,
              kind: 'barrier',
              name: `Fence ${k}`,
              form: 'fence',
              way: [place, { ...place, east: place.east + 2 }],
            }
          : { id: `wet${k}`, kind: 'soilTest', name: `Test ${k}`, place, test: { type: 'ribbon', length: 0.02 } },
    );
  }
  await makeJob(base, 'crowded', elements);
}

await withPages(4897, async (browser, base) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await gestures(context, `${base}/job/quillfeather/yard`, 'the sample');
  await crowded(base);
  await gestures(context, `${base}/job/crowded/yard`, 'a site of 500 things');
});
