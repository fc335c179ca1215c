/** Times of changes: never earlier than one given before, so that a clock set back leaves the order of things right. */
export class Clock {
  private readonly now: () => Date;
  private last: number;

  /** `latest`: the last time given by an earlier run. */
  constructor(now: () => Date, latest: string | null) {
    this.now = now;
    this.last = latest === null ? 0 : Date.parse(latest);
  }

  /** The next time, ISO 8601. */
  next(): string {
    this.last = Math.max(this.now().getTime(), this.last + 1);
    return new Date(this.last).toISOString();
  }

  /** What the clock on the wall says, ms. */
  read(): number {
    return this.now().getTime();
  }
}
