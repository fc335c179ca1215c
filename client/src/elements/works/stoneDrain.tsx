/** An open stone drain: its fields, and how it lies on the plan. */
import { STONE_DRAIN_USUAL, type StoneDrain } from '@katabasis/core';
import { boreEntry, levelEntry, shareBetween } from '../../input/entry';
import type { FieldOf } from '../../parts/forms/FieldList';
import { Circle, Path } from 'react-native-svg';
import { StoneEnds } from '../../parts/StoneEnds';
import { WorkFacts } from '../../parts/WorkFacts';
import type { ElementView } from '../view';
import { countEntry } from '../../input/workEntries';
import { depth, long, stone, fabric, perforations } from './fields';
import { work, box, dots } from './workView';

const STONE_DRAIN: readonly FieldOf<StoneDrain>[] = [
  { type: 'quantity', field: 'width', label: 'Wide', entry: depth('Stone is') },
  { type: 'quantity', field: 'depth', label: 'Deep', entry: depth('Stone is') },
  long,
  { type: 'quantity', field: 'nominal', label: 'Pipe in it', usual: STONE_DRAIN_USUAL.nominal, entry: boreEntry },
  { type: 'quantity', field: 'pipes', label: 'Pipes side by side', usual: 'one', entry: () => countEntry(1, 3) },
  perforations,
  { type: 'quantity', field: 'slabLevel', label: 'Edge of the slab', usual: 'not levelled', entry: levelEntry },
  { type: 'quantity', field: 'sillLevel', label: 'Sill that it guards', usual: 'none', entry: levelEntry },
  {
    type: 'quantity',
    field: 'clogging',
    label: 'Leaves take',
    usual: '30 %',
    entry: () => shareBetween(0, 0.95, 'A share is'),
  },
  { ...stone, usual: 'round' },
  fabric,
];

export const stoneDrainView: ElementView<StoneDrain> = work(STONE_DRAIN, 'inlets', () => 'comes off the slab', {
  level: 'Top of its stone',
  Panel: ({ element }) => (
    <>
      <WorkFacts element={element} />
      <StoneEnds drain={element} />
    </>
  ),
  glyph: (_, pens) =>
    box(
      pens,
      <>
        <Circle cx={-5} cy={-2} r={2.5} fill={pens.stroke} />
        <Circle cx={1} cy={3} r={2.5} fill={pens.stroke} />
        <Circle cx={6} cy={-3} r={2.5} fill={pens.stroke} />
      </>,
    ),
  onPlan: ({ width }, { path, ink, ground, chosen, scale }) => (
    <>
      <Path d={path} fill="none" stroke={ink} strokeWidth={Math.max(8, width * scale) + (chosen ? 4 : 2)} />
      <Path d={path} fill="none" stroke={ground} strokeWidth={Math.max(8, width * scale)} />
      <Path d={path} fill="none" stroke={ink} strokeWidth={4} strokeLinecap="round" {...dots('0.1 9')} />
    </>
  ),
});
