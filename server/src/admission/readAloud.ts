/** A random code that is read aloud or copied by hand: of 25 letters and digits, none of which is taken for another; 4.6 bits each. */
import { randomInt } from 'node:crypto';

const LETTERS = 'ACDEFGHJKMNPQRTUVWXY34679';

export const readAloud = (length: number): string =>
  Array.from({ length }, () => LETTERS[randomInt(LETTERS.length)]).join('');
