/** A rate of money: typed in whole and part of the currency for one of the units that it is said for. */
import { decimals } from '@katabasis/core';
import type { Entry } from './entry';

const MOST = 1e7;

/** `least`: how many least units make one of the currency; `per`: SI units in the unit that the rate is said for. */
export const moneyEntry = (least: number, per: number): Entry => {
  const places = Math.round(Math.log10(least));
  return {
    show: (rate) => decimals((rate * per) / least, places),
    inputMode: 'decimal',
    parse: (typed) => {
      // A sign of the currency and thousands parted by commas are what a rate is copied with.
      const plain = typed
        .replace(/[^\d.,-]/g, '')
        .replace(/,(?=\d{3}\b)/g, '')
        .replace(',', '.');
      const value = Number(plain);
      if (plain === '' || !/\d/.test(typed) || !Number.isFinite(value))
        return { ok: false, sentence: 'A rate is an amount, such as 12.50.' };
      if (value < 0 || value > MOST) return { ok: false, sentence: 'A rate is naught or more, and below ten million.' };
      return { ok: true, value: (value * least) / per };
    },
  };
};
