/** A barrel: its fields, and how it lies on the plan. */
import { BARREL_USUAL, type Barrel, type UnitSystem } from '@katabasis/core';
import { smallEntry } from '../../input/entry';
import { volumeEntry } from '../../input/workEntries';
import type { FieldOf } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { work } from './workView';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

const monthEntry = () => ({
  show: (month: number) => MONTHS[month - 1] ?? '',
  inputMode: 'text' as const,
  parse: (typed: string) => {
    const month = MONTHS.findIndex((name) => typed.trim().toLowerCase().startsWith(name.toLowerCase())) + 1;
    return month > 0
      ? ({ ok: true, value: month } as const)
      : ({ ok: false, sentence: 'Write a month, such as Nov.' } as const);
  },
});

const onStand = (units: UnitSystem) => smallEntry(units, 0, 3, 'A stand is');
const overflow = (units: UnitSystem) => smallEntry(units, 0.05, 10, 'An overflow is');

const BARREL: readonly FieldOf<Barrel>[] = [
  { type: 'quantity', field: 'volume', label: 'Holds', entry: volumeEntry },
  { type: 'quantity', field: 'stand', label: 'Stands on', usual: BARREL_USUAL.stand, entry: onStand },
  {
    type: 'quantity',
    field: 'outletHeight',
    label: 'Overflow over that',
    usual: BARREL_USUAL.outletHeight,
    entry: overflow,
  },
  { type: 'quantity', field: 'opened', label: 'Emptied for winter in', usual: 'not said', entry: monthEntry },
  { type: 'quantity', field: 'shut', label: 'Shut again in', usual: 'not said', entry: monthEntry },
];

export const barrelView: ElementView<Barrel> = work(BARREL, 'inlets', () => 'holds', {
  level: 'Ground under it',
  glyph: (_, { outline, water }) => (
    <>
      <Path d="M-8 -11H8Q11 0 8 11H-8Q-11 0 -8 -11Z" {...outline} />
      <Path d="M-9 -1H9" stroke={water} strokeWidth={3} />
    </>
  ),
});
