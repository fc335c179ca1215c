/** A sleeve under paving, for a pipe or a cable that comes later: it does nothing in a rain. */
import type { Sleeve } from '../job/kinds';
import { showNominal } from '../units';
import { lengthOf } from './measures';
import { work, type Counted } from './work';

export const sleeveWork = work<Sleeve, never>({
  of: 'sleeve',
  dug: true,
  count: (sleeve) => {
    const { nominal, use } = sleeve;
    const length = lengthOf(sleeve);
    const material = 'smooth';
    return [
      ...(length === 0 ? (['noSize'] as const) : []),
      { item: { type: 'pipe', material, nominal }, quantity: length },
      // An empty one is closed until it is wanted.
      ...(use === 'pipe' ? [] : [{ item: { type: 'cap', material, nominal }, quantity: 2 } satisfies Counted]),
    ];
  },
  facts: () => [],
  figure: ({ nominal }, units) => showNominal(nominal, units),
  layer: 'works',
});
