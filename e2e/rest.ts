/** When a page has come to rest: it is there, nothing is being worked out, and nothing in it has changed for a moment. */
import type { Page } from '@playwright/test';

/** Longer than any timer of ours between two steps of one picture, ms. */
const QUIET_MS = 150;

export const atRest = (page: Page): Promise<void> =>
  page.evaluate(
    (quiet) =>
      new Promise<void>((done) => {
        let changed = performance.now();
        const watch = new MutationObserver(() => (changed = performance.now()));
        watch.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
        const isThere = (): boolean =>
          document.querySelector('[role=main]') !== null &&
          document.fonts.status === 'loaded' &&
          !/Reading the job|being worked out/.test(document.body.innerText);
        const look = (): void => {
          if (performance.now() - changed < quiet || !isThere()) return void setTimeout(look, 30);
          watch.disconnect();
          done();
        };
        look();
      }),
    QUIET_MS,
  );
