/** What a choice costs beside what is there, in a few words. */
import { dearer, leastUnits } from '@katabasis/core';
import type { Tried } from '../../planning/planning';

/** Less than so between paying for a whole roll and for what is used of it is not worth a word, in whole units of the currency. */
const WORTH = 5;

/** More or less; where a roll's rest makes the difference, what it is when that is kept for the next job. */
export function costWords(tried: Tried, present: Tried, currency: string): string {
  const [whole, kept] = [tried.asked - present.asked, tried.askedKept - present.askedKept];
  const said = dearer(whole, currency);
  if (Math.abs(whole - kept) < WORTH * leastUnits(currency)) return said;
  return `${said || 'the same'}, or ${dearer(kept, currency) || 'the same'} with off-cuts kept`;
}
