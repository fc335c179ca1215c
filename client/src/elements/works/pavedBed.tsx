/** A bed of stone under paving: its fields, and how it lies on the plan. */
import type { PavedBed } from '@katabasis/core';
import { areaEntry, lengthEntry, shareBetween, smallEntry } from '../../input/entry';
import type { FieldOf } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { depth, pitches, tested, soil } from './fields';
import { work, box, dots } from './workView';

const PAVED_BED: readonly FieldOf<PavedBed>[] = [
  { type: 'quantity', field: 'area', label: 'Area', usual: 'by the plan', entry: areaEntry },
  { type: 'quantity', field: 'depth', label: 'Stone at its low edge', entry: depth('Stone is') },
  { type: 'quantity', field: 'fall', label: 'Floor falls away', usual: 'level', entry: pitches },
  { type: 'quantity', field: 'length', label: 'Length along its fall', usual: 'as a square', entry: lengthEntry },
  {
    type: 'quantity',
    field: 'voids',
    label: 'Voids in the stone',
    usual: '40 %',
    entry: () => shareBetween(0.05, 0.95, 'A share is'),
  },
  {
    type: 'quantity',
    field: 'orifice',
    label: 'Opening at its outlet',
    usual: 'as its pipe',
    entry: (units) => smallEntry(units, 0.005, 1, 'An opening is'),
  },
  tested,
  { type: 'flag', field: 'liner', label: 'Under it', no: 'Soil', yes: 'A liner' },
  soil,
];

export const pavedBedView: ElementView<PavedBed> = work(PAVED_BED, 'inlets', () => 'holds', {
  level: 'Paving at its low edge',
  glyph: (_, pens) => box(pens, <Path d="M-11 1L11 5" stroke={pens.water} strokeWidth={2.5} />),
  onPlan: (_, { path, ink, chosen }) => (
    <Path d={path} fill={ink} fillOpacity={0.06} stroke={ink} strokeWidth={chosen ? 3 : 1.5} {...dots('6 3')} />
  ),
});
