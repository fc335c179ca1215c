/** Times from what a finger does to the picture of it, on a phone some times slower. */
import { pace } from './pace.mjs';

export const SLOWER = 4;

export const slowDown = async (page) =>
  (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: SLOWER });

/**
 * Pointer to picture, ms: from the time stamp of the pointer's own event to the end of the frame that drew what it changed, or what it
 * changed of `picture`. The first event since the last picture counts while a pointer moves, the last one where it is lifted.
 */
export const watch = (page, event, picture = 'body', into = 'toPicture') =>
  page.evaluate(
    ([type, wanted, name]) => {
      const times = [];
      globalThis[name] = times;
      let since = null;
      const first = type === 'pointermove';
      addEventListener(type, ({ timeStamp }) => (since = first ? (since ?? timeStamp) : timeStamp), { capture: true });
      new MutationObserver((changes) => {
        const from = since;
        if (from === null || !changes.some(({ target }) => (target.parentElement ?? target).closest?.(wanted))) return;
        since = null;
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => times.push(performance.now() - from);
          port2.postMessage(null);
        });
      }).observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
    },
    [event, picture, into],
  );

/** As long as a finger that only taps stays down, at least, ms. */
const DOWN_MS = 60;

/**
 * A finger on it, and nothing else: a test's own tap asks the page at each event what lies under it, which a phone four times slower takes
 * 20 ms for, and lifts its finger before the page has heard of it.
 */
async function touch(finger, page, place) {
  await place.scrollIntoViewIfNeeded();
  await page.waitForTimeout(100);
  const { x, y, width, height } = await place.boundingBox();
  const touchPoints = [{ x: x + width / 2, y: y + height / 2 }];
  await finger.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints });
  await page.waitForTimeout(DOWN_MS);
  await finger.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
}

/** Between half a second and one and a half, in turn: what is drawn after a tap may be over by the next one, or not. */
let turn = 0;
const pause = () => 500 + ((turn++ * 389) % 1000);

/**
 * What taps on a page, times each, and notes the machine's pace before it and after: `names` are those that `watch` noted times under.
 * @returns {(place: Locator) => Promise<Record<string, { time: number, pace: number }[]>>} by name
 */
export async function tapsOn(page, names) {
  const finger = await page.context().newCDPSession(page);
  return async (place) => {
    const before = pace();
    await touch(finger, page, place);
    await page.waitForTimeout(pause());
    const seen = await page.evaluate((all) => all.map((name) => globalThis[name].splice(0)), names);
    const slowest = Math.max(before, pace());
    return Object.fromEntries(names.map((name, k) => [name, seen[k].map((time) => ({ time, pace: slowest }))]));
  };
}
