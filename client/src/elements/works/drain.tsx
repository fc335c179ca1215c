/** A subsurface drain: its fields, and how it lies on the plan. */
import type { Drain } from '@katabasis/core';
import { levelEntry } from '../../input/entry';
import { countEntry } from '../../input/workEntries';
import type { FieldOf } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { long, drainShared, drainChoices } from './fields';
import { work, drainGlyph, dots } from './workView';

const DRAIN: readonly FieldOf<Drain>[] = [
  long,
  ...drainShared,
  { type: 'quantity', field: 'pipes', label: 'Pipes in the trench', usual: 'one', entry: () => countEntry(1, 3) },
  { type: 'quantity', field: 'headLevel', label: 'Ground at its head', usual: 'not levelled', entry: levelEntry },
  ...drainChoices,
];

export const drainView: ElementView<Drain> = work(DRAIN, 'lines', () => 'ground water at its end', {
  level: 'Ground where it leaves',
  glyph: drainGlyph,
  onPlan: (_, { path, water, chosen, ink }) => (
    <>
      <Path d={path} fill="none" stroke={ink} strokeWidth={chosen ? 8 : 6} strokeOpacity={0.25} />
      <Path d={path} fill="none" stroke={water} strokeWidth={3} {...dots('3 5')} />
    </>
  ),
});
