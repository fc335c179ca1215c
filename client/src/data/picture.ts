/** A page that nobody sees draws no pictures: it waits no longer for one, ms. */
const MOST_MS = 100;

/** Comes once the next picture is on the screen. */
export const nextPicture = (): Promise<void> =>
  new Promise((done) => {
    setTimeout(done, MOST_MS);
    // Timers come after the picture of the frame that this is called before.
    requestAnimationFrame(() => setTimeout(done, 0));
  });
