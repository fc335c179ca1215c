/** The pairing code: who can read it on the server's own screen may bring a device in. Guessing it is made slow. */
import { randomInt, timingSafeEqual } from 'node:crypto';
import { ProblemError } from '../http/problem';

const DIGITS = 8;
/** Wrong codes let pass from everybody together, in a time, before the door stays shut for that long. */
const MAX_WRONG = 10;
const WINDOW_MS = 10 * 60 * 1000;

const bare = (code: string): string => code.replace(/[\s-]/g, '');

export class Pairing {
  /** Eight digits, made anew at each start. */
  readonly code: string;
  private readonly now: () => number;
  private wrong: number[] = [];

  constructor(now: () => number = Date.now, code = String(randomInt(10 ** DIGITS)).padStart(DIGITS, '0')) {
    this.now = now;
    this.code = code;
  }

  /** Lets a code pass, or throws: 403 for a wrong one, 429 while too many were wrong. */
  check(code: string): void {
    const since = this.now() - WINDOW_MS;
    this.wrong = this.wrong.filter((at) => at > since);
    if (this.wrong.length >= MAX_WRONG)
      throw new ProblemError(429, 'Too many wrong codes. Wait ten minutes, or start the server again.');
    const sent = Buffer.from(
      bare(code)
        .padEnd(DIGITS)
        .slice(0, 2 * DIGITS),
    );
    const right = Buffer.from(this.code);
    if (sent.length === right.length && timingSafeEqual(sent, right)) return;
    this.wrong.push(this.now());
    throw new ProblemError(403, 'That is not the code on the server’s screen.');
  }
}

/** As it is read out: `1234 5678`. */
export const spoken = (code: string): string => code.replace(/(\d{4})(?=\d)/g, '$1 ');
