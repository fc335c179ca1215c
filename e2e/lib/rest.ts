/** When a page has come to rest: it is there, nothing is being worked out, and nothing in it has changed for a moment. */
import type { Page } from '@playwright/test';

/** Looks at a page, so many ms apart and in a row, in which nothing has changed: longer than any timer of ours between two steps of what is in sight. */
const LOOKS = { quiet: 5, apart: 30 };

export const atRest = (page: Page): Promise<void> =>
  page.evaluate(
    ({ quiet, apart }) =>
      new Promise<void>((done) => {
        let unchanged = 0;
        const watch = new MutationObserver(() => (unchanged = 0));
        watch.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
        const isThere = (): boolean =>
          document.querySelector('[role=main]') !== null &&
          document.fonts.status === 'loaded' &&
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
