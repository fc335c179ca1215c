/** A field of drains: its fields, and how it lies on the plan. */
import type { DrainField } from '@katabasis/core';
import { areaEntry } from '../../input/entry';
import type { FieldOf } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { drainShared, drainChoices } from './fields';
import { work, drainGlyph, dots } from './workView';

const DRAIN_FIELD: readonly FieldOf<DrainField>[] = [
  { type: 'quantity', field: 'area', label: 'Area', usual: 'by the plan', entry: areaEntry },
  ...drainShared,
  ...drainChoices,
];

export const drainFieldView: ElementView<DrainField> = work(DRAIN_FIELD, 'lines', () => 'ground water at its end', {
  level: 'Ground where it leaves',
  glyph: drainGlyph,
  onPlan: (_, { path, water, chosen }) => (
    <Path d={path} fill={water} fillOpacity={0.07} stroke={water} strokeWidth={chosen ? 3 : 1.5} {...dots('3 5')} />
  ),
});
