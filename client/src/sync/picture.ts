/** A page that nobody sees draws no pictures: nothing waits longer for one, ms. */
const MOST_MS = 300;

/** Has `act` done once the next picture is on the screen; what it gives calls that off. */
export function afterPicture(act: () => void): () => void {
  let waits = true;
  const once = (): void => {
    if (waits) act();
    waits = false;
  };
  setTimeout(once, MOST_MS);
  // The frame after the picture's: until then the browser is still putting that on the screen.
  requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(once, 0)));
  return () => void (waits = false);
}

export const nextPicture = (): Promise<void> => new Promise((done) => void afterPicture(done));
