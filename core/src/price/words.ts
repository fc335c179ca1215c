/** Money and what it is for, in words. */
import { headOf, type Job } from '../job/job';
import type { Price, PriceLine } from './price';
import type { WorkRate } from './book';
import { RENTED_LABELS } from '../catalogue/diggers';
import type { PartUnit } from '../catalogue/items';
import type { TakeOff } from '../quantities/takeOff';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  LITRES_PER_QUART,
  METRES_PER_FOOT,
  SQUARE_METRES_PER_SQUARE_FOOT,
} from '../units/constants';
import type { UnitSystem } from '../units';
import { partLabel } from '../quantities/partLabel';

export const WORK_LABELS: Record<WorkRate, string> = {
  visit: 'To come and set up',
  trench: 'Trench',
  deeper: 'Trench deeper than 2 ft, a metre more',
  lay: 'Pipe laid to its pitch',
  set: 'Inlets and ends set',
  channelSet: 'Channel set',
  handDig: 'By spade beside services',
  rootsLight: 'Among roots',
  rootsHeavy: 'Among heavy roots',
  sprinklers: 'Sprinkler lines crossed and mended',
  rock: 'Rock broken out',
  wet: 'Trench kept dry',
  narrow: 'Dug without a machine',
  barrow: 'Wheeled by barrow, for every 10 m',
  saw: 'Saw cut',
  slab: 'Slab made good',
  turf: 'New turf laid',
  sod: 'Turf cut, kept and laid back',
  sow: 'Sown under a blanket',
  bore: 'Driven through under what is over it',
  haul: 'Hauled away, truck loads',
  earth: 'Earth moved',
  stonePlaced: 'Stone placed',
};

const formatOf = (currency: string): Intl.NumberFormat =>
  new Intl.NumberFormat('en-US', { style: 'currency', currency });

/** How many least units make one of a currency: 100 of most, 1 of those without cents. */
export const leastUnits = (currency: string): number =>
  10 ** (formatOf(currency).resolvedOptions().maximumFractionDigits ?? 2);

/** An amount of least units as it is written; cents are left out where a whole amount is large. */
export const money = (amount: number, currency: string): string =>
  formatOf(currency)
    .format(amount / leastUnits(currency))
    .replace('-', '−');

/** What something makes dearer or cheaper, in whole units of the currency: `+$38`, `−$12`; nothing where it is the same. */
export function dearer(amount: number, currency: string): string {
  const whole = Math.round(amount / leastUnits(currency));
  if (whole === 0) return '';
  const said = new Intl.NumberFormat('en-US', { style: 'currency', currency, maximumFractionDigits: 0 }).format(
    Math.abs(whole),
  );
  return `${whole > 0 ? '+' : '−'}${said}`;
}

/** Whether a currency can be written: three letters that somebody uses. */
export function isCurrency(code: string): boolean {
  if (!/^[A-Z]{3}$/.test(code)) return false;
  try {
    formatOf(code);
    return true;
  } catch {
    return false;
  }
}

/** SI units in one of the units that a rate is said for, and what that is called; a piece where it is counted. */
export function rateUnit(unit: PartUnit, units: UnitSystem): { per: number; said: string } {
  const us = units === 'us';
  switch (unit) {
    case 'piece':
      return { per: 1, said: 'each' };
    case 'm':
      return us ? { per: METRES_PER_FOOT, said: 'a foot' } : { per: 1, said: 'a metre' };
    case 'm²':
      return us ? { per: SQUARE_METRES_PER_SQUARE_FOOT, said: 'a square foot' } : { per: 1, said: 'a square metre' };
    case 'm³':
      return us ? { per: CUBIC_METRES_PER_CUBIC_YARD, said: 'a cubic yard' } : { per: 1, said: 'a cubic metre' };
    case 'day':
      return { per: 1, said: 'a day' };
    case 'L':
      return us ? { per: LITRES_PER_QUART, said: 'a quart' } : { per: 1, said: 'a litre' };
  }
}

/** What a line of the price is for. */
export function lineLabel(job: Job, { parts }: TakeOff, { key, work, extra, rented }: PriceLine): string {
  if (rented !== undefined) return `${RENTED_LABELS[rented]}, rented`;
  if (extra !== undefined) return extra;
  if (work) return WORK_LABELS[work];
  const part = parts.find((each) => each.key === key);
  return part ? partLabel(part.item, headOf(job).units) : key;
}

/** So many parts that a book lacks are named. */
const NAMED = 3;

/** What of a cost rests on usual rates, which are invented: named where the job is priced by a book that lacks them. Null where all is the job's own. */
export function usualWords(job: Job, taken: TakeOff, { lines, currency }: Price): string | null {
  const usual = lines.filter(({ own }) => !own);
  if (usual.length === 0) return null;
  const comes = money(
    usual.reduce((sum, { amount }) => sum + amount, 0),
    currency,
  );
  const { book } = headOf(job).prices ?? {};
  if (usual.length === lines.length)
    return 'All of it is at usual rates, which are invented: tap a line to put in your own.';
  if (!book) return `${comes} of the cost, in ${usual.length} lines, is at usual rates, which are invented.`;
  const named = usual.slice(0, NAMED).map((line) => lineLabel(job, taken, line));
  const more = usual.length - named.length;
  const all = [...named, ...(more > 0 ? [`${more} more`] : [])];
  const said = all.length === 1 ? all[0]! : `${all.slice(0, -1).join('; ')} and ${all.at(-1)}`;
  return `Not in ${book.name}: ${said}. ${comes} of the cost is at usual rates, which are invented.`;
}
