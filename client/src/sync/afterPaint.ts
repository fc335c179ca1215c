/** A page that nobody sees is never painted: nothing waits longer for it, ms. */
const MOST_MS = 300;

/** Has `act` done once the next frame is on the screen; what it gives calls that off. */
export function afterPaint(act: () => void): () => void {
  let waits = true;
  const once = (): void => {
    if (waits) act();
    waits = false;
  };
  setTimeout(once, MOST_MS);
  // The frame after the next: until then the browser is still putting that on the screen.
  requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(once, 0)));
  return () => void (waits = false);
}

export const nextPaint = (): Promise<void> => new Promise((done) => void afterPaint(done));
