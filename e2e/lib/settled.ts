/** When a page, or a thing on it, has come to rest: its scripts are there, nothing is being read or worked out, and nothing has changed for a moment. */
import type { Locator, Page } from '@playwright/test';

/** Looks at a page, so many ms apart and in a row, in which nothing has changed: longer than any timer of ours between two steps of what is in sight. */
const LOOKS = { quiet: 5, apart: 30 };

export const settled = (page: Page): Promise<void> =>
  page.evaluate(
    ({ quiet, apart }) =>
      new Promise<void>((done) => {
        let unchanged = 0;
        const watch = new MutationObserver(() => (unchanged = 0));
        watch.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
        const isThere = (): boolean =>
          document.querySelector('[role=main]') !== null &&
          document.fonts.status === 'loaded' &&
          ![...document.querySelectorAll('h2, [role=heading]')].some(({ textContent }) => textContent === 'Opening') &&
          !/Reading the job|being worked out/.test(document.body.innerText);
        const look = (): void => {
          unchanged = isThere() ? unchanged + 1 : 0;
          if (unchanged <= quiet) return void setTimeout(look, apart);
          watch.disconnect();
          done();
        };
        look();
      }),
    LOOKS,
  );

/** Waits for so many frames of the page: what lays itself out in the next frame has. */
export const frames = (page: Page, count: number): Promise<void> =>
  page.evaluate(async (left) => {
    for (let k = 0; k < left; k++) await new Promise((done) => requestAnimationFrame(done));
  }, count);

/** Waits until a thing has lain in one place for so many frames, however slow they come. */
export const still = (thing: Locator, count = 20): Promise<void> =>
  thing.evaluate(async (element, wanted) => {
    const place = (): string => JSON.stringify(element.getBoundingClientRect());
    for (let same = 0, last = place(); same < wanted;) {
      await new Promise((done) => requestAnimationFrame(done));
      const now = place();
      same = now === last ? same + 1 : 0;
      last = now;
    }
  }, count);
