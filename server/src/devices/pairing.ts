/**
 * The pairing code: who can read it on the server's own screen may bring a device in. Guessing it is made slow, for one address and for all
 * together; who sits at the server's own machine gets in whoever guesses.
 */
import { randomInt, timingSafeEqual } from 'node:crypto';
import { askerAt, Limit } from '../http/limits';
import { ProblemError } from '../http/problem';

const DIGITS = 8;
const MINUTES_10 = 600;
/** Wrong codes let pass in ten minutes: from one address; and from all, at which a guesser needs ten years for half of all codes. */
const PER_ADDRESS = 10;
const IN_SUM = 100;

const bare = (code: string): string => code.replace(/[\s-]/g, '');

export class Pairing {
  /** Eight digits, made anew at each start. */
  readonly code: string;
  private readonly perAddress = new Limit({ points: PER_ADDRESS, seconds: MINUTES_10 }, 'Too many wrong codes.');
  private readonly inSum = new Limit(
    { points: IN_SUM, seconds: MINUTES_10 },
    'Too many wrong codes were tried from elsewhere. On the server’s own machine it goes on.',
  );

  constructor(code = String(randomInt(10 ** DIGITS)).padStart(DIGITS, '0')) {
    this.code = code;
  }

  /** Lets a code pass, or throws: 403 for a wrong one, 429 while too many were wrong. `address`: null at the server's own machine. */
  async check(code: string, address: string | null): Promise<void> {
    if (address !== null) {
      await this.perAddress.check(askerAt(address));
      await this.inSum.check('all');
    }
    const sent = Buffer.from(
      bare(code)
        .padEnd(DIGITS)
        .slice(0, 2 * DIGITS),
    );
    const right = Buffer.from(this.code);
    if (sent.length === right.length && timingSafeEqual(sent, right)) return;
    if (address !== null) {
      await this.perAddress.take(askerAt(address));
      await this.inSum.take('all');
    }
    throw new ProblemError(403, 'That is not the code on the server’s screen.');
  }
}

/** As it is read out: `1234 5678`. */
export const spoken = (code: string): string => code.replace(/(\d{4})(?=\d)/g, '$1 ');
