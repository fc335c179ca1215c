/** A culvert: its fields, and how it lies on the plan. */
import { CULVERT_INLET_FACTS, CULVERT_INLETS, MATERIAL_FACTS, SOLD_MATERIALS, type Culvert } from '@katabasis/core';
import { levelEntry, smallEntry } from '../../input/entry';
import { countEntry } from '../../input/workEntries';
import { NONE, type FieldOf } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { long, takers } from './fields';
import { StraightAcross } from './StraightAcross';
import { work, endsIn } from './workView';

const CULVERT: readonly FieldOf<Culvert>[] = [
  { type: 'quantity', field: 'nominal', label: 'Pipe', entry: (units) => smallEntry(units, 0.1, 5, 'A culvert is') },
  { type: 'quantity', field: 'pipes', label: 'Side by side', usual: 'one', entry: () => countEntry(1, 6) },
  long,
  { type: 'quantity', field: 'invertUp', label: 'Invert at its inlet', entry: levelEntry },
  { type: 'quantity', field: 'invertDown', label: 'Invert at its outlet', entry: levelEntry },
  { type: 'quantity', field: 'roadLevel', label: 'Lowest of the road’s edge', entry: levelEntry },
  { type: 'quantity', field: 'standingLevel', label: 'Water at its outlet', usual: 'falls free', entry: levelEntry },
  { type: 'lead', field: 'to', label: 'Leads on to', none: 'Off the job', among: takers },
  {
    type: 'choice',
    field: 'inlet',
    label: 'Its inlet',
    options: CULVERT_INLETS.map((value) => ({ value, label: CULVERT_INLET_FACTS[value].label })),
  },
  {
    type: 'choice',
    field: 'material',
    label: 'Material',
    options: SOLD_MATERIALS.map((value) => ({ value, label: MATERIAL_FACTS[value].label })),
  },
  { type: 'flag', field: 'walk', label: 'Traffic over it', no: 'Cars', yes: 'People only' },
  { type: 'flag', field: 'paved', label: 'Road over it', no: 'Gravel or grass', yes: 'Paved, sawn and made good' },
  { type: 'flag', field: 'stone', label: 'Stone at its outlet', no: 'None', yes: 'Laid' },
  {
    type: 'choice',
    field: 'old',
    label: 'The old one',
    options: [
      { value: NONE, label: 'None here' },
      { value: 'out', label: 'Comes out' },
      { value: 'beside', label: 'Stays beside it' },
    ],
  },
];

export const culvertView: ElementView<Culvert> = work(CULVERT, 'lines', ({ to }, open) => endsIn(to, open), {
  Besides: StraightAcross,
  onPlan: ({ nominal, pipes = 1 }, { path, ink, ground, water, scale, chosen }) => {
    const width = Math.max(8, nominal * pipes * scale);
    return (
      <>
        <Path d={path} fill="none" stroke={ink} strokeWidth={width + (chosen ? 6 : 4)} />
        <Path d={path} fill="none" stroke={ground} strokeWidth={width} />
        <Path d={path} fill="none" stroke={water} strokeWidth={2} />
      </>
    );
  },
});
