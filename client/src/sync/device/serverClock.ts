/**
 * The clock that two phones of one test share: the server's, as its answers tell it. Each answer says a whole second, which was at some time
 * between asking and hearing: what lies in all such spans is the clock to a tenth of a second after a few answers.
 */

/** ms of the server's clock over this device's own, between these. */
let span: { low: number; high: number } | null = null;

/** An answer that was asked for and heard at these times of this device, ms, and the date that it bears. */
export function heardClock(date: string | null | undefined, asked: number, heard: number): void {
  const second = date ? Date.parse(date) : Number.NaN;
  if (Number.isNaN(second)) return;
  const low = Math.max(second - heard, span?.low ?? -Infinity);
  const high = Math.min(second + 1000 - asked, span?.high ?? Infinity);
  // One of the clocks was set meanwhile.
  span = low <= high ? { low, high } : { low: second - heard, high: second + 1000 - asked };
}

/** Now, ms, by the server's clock; by this device's own where the server was never heard. */
export const sharedNow = (): number => Date.now() + (span ? (span.low + span.high) / 2 : 0);
