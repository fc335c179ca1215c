/** Tries again later, each time after a longer wait. */
const RETRY_MS = [2_000, 5_000, 15_000, 30_000];

export class Retry {
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;

  /** It went through: the next wait is a short one again. */
  succeeded(): void {
    this.failures = 0;
  }

  callOff(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
  }

  later(work: () => void): void {
    this.callOff();
    this.timer = setTimeout(work, RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)]!);
    // A timer of an unsent change must not hold a test's process open; a browser's timers are plain numbers.
    (this.timer as { unref?: () => void }).unref?.();
  }
}
