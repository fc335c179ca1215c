/** Waits before the server is asked again, each time longer, ms. */
const AGAIN_MS = [2_000, 5_000, 15_000, 30_000];

/** How long to wait after so many tries that came to nothing, ms. */
export const pauseAfter = (tries: number): number => AGAIN_MS[Math.min(tries, AGAIN_MS.length - 1)]!;

/** Does something later; what waits so must not hold a test's process open, and a browser's timers are plain numbers. */
export function later(ms: number, work: () => void): ReturnType<typeof setTimeout> {
  const timer = setTimeout(work, ms);
  (timer as { unref?: () => void }).unref?.();
  return timer;
}
