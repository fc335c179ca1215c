/** So much of a part, in the unit that it is sold by. */
import { amountOf, decimals, rateUnit, type Part, type UnitSystem } from '@katabasis/core';
import type { Entry } from './entry';

const MOST = 1e6;

export function amountEntry(unit: Part['unit'], units: UnitSystem): Entry {
  const { per } = rateUnit(unit, units);
  const called = unit === 'm' ? (units === 'us' ? 'ft' : 'm') : amountOf(1, unit, units).unit;
  const said = called === '' ? 'A number, such as 6.' : `An amount in ${called}, such as 12.5.`;
  return {
    show: (value) =>
      `${decimals(value / per, unit === 'piece' ? 0 : 2)
        .replace(/(\.\d*?)0+$/, '$1')
        .replace(/\.$/, '')}${called && ` ${called}`}`,
    ...(called === '' ? {} : { unit: called }),
    inputMode: 'decimal',
    parse: (typed) => {
      const bare = typed
        .trim()
        .replace(',', '.')
        .replace(/\s*[a-zA-Z²³′']+$/, '');
      const value = Number(bare) * per;
      return bare !== '' && value > 0 && value <= MOST ? { ok: true, value } : { ok: false, sentence: said };
    },
  };
}
