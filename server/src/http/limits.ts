/** How much one may ask for in a time, told in words where it is too much. Counted in memory, by address or by device. */
import { isIPv6 } from 'node:net';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { ProblemError } from './problem';

export interface Allowance {
  /** So much in so many seconds. */
  points: number;
  seconds: number;
}

/** One network of a household or a phone is one asker: an IPv6 address has its network in the first half. */
export const askerAt = (address: string): string =>
  isIPv6(address) ? address.split(':').slice(0, 4).join(':') : address;

const inMinutes = (ms: number): string => {
  const minutes = Math.max(1, Math.ceil(ms / 60_000));
  return minutes === 1 ? 'a minute' : `${minutes} minutes`;
};

export class Limit {
  private readonly limiter: RateLimiterMemory;

  /** `said`: what is too much, as the beginning of a sentence. */
  constructor(
    { points, seconds }: Allowance,
    private readonly said: string,
  ) {
    this.limiter = new RateLimiterMemory({ points, duration: seconds });
  }

  private refuse(msBeforeNext: number): never {
    throw new ProblemError(429, `${this.said} Wait ${inMinutes(msBeforeNext)}.`);
  }

  /** Takes from what is allowed; 429 where that is spent. */
  async take(key: string, points = 1): Promise<void> {
    await this.limiter.consume(key, points).catch((spent: unknown) => {
      if (!(spent instanceof RateLimiterRes)) throw spent;
      this.refuse(spent.msBeforeNext);
    });
  }

  /** Gives back what was taken, where it turned out to be allowed. */
  async giveBack(key: string): Promise<void> {
    await this.limiter.reward(key);
  }

  /** Looks whether anything is left, and takes nothing. */
  async check(key: string): Promise<void> {
    const is = await this.limiter.get(key);
    if (is && is.remainingPoints <= 0) this.refuse(is.msBeforeNext);
  }
}
