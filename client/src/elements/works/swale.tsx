/** A swale: its fields, and how it lies on the plan. */
import {
  LINING_FACTS,
  LININGS,
  nameOf,
  ofKind,
  SWALE_SECTION_LABELS,
  SWALE_SECTIONS,
  type Job,
  type Swale,
} from '@katabasis/core';
import { levelEntry, smallEntry } from '../../input/entry';
import { timesEntry } from '../../input/workEntries';
import { NONE, type FieldOf } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { depth, long, takers, soil } from './fields';
import { work, endsIn, dots } from './workView';

const drains = (job: Job) => ofKind(job, 'drain').map(({ id }) => ({ id, name: nameOf(job, id) }));

const SWALE: readonly FieldOf<Swale>[] = [
  { type: 'quantity', field: 'depth', label: 'Deep', entry: depth('A swale is') },
  {
    type: 'quantity',
    field: 'bottomWidth',
    label: 'Floor',
    usual: 'none',
    entry: (units) => smallEntry(units, 0, 50, 'A floor is'),
  },
  { type: 'quantity', field: 'sideSlope', label: 'Sides, so much across to 1 up', entry: () => timesEntry(0.1, 50) },
  { ...long, label: 'Length' },
  { type: 'quantity', field: 'headLevel', label: 'Floor at its head', usual: 'by the ground', entry: levelEntry },
  { type: 'quantity', field: 'footLevel', label: 'Floor at its foot', usual: 'by the ground', entry: levelEntry },
  { type: 'lead', field: 'to', label: 'Ends in', none: 'Off the job', among: takers },
  { type: 'lead', field: 'beneath', label: 'Drain beneath it', none: 'By the plan', among: drains },
  {
    type: 'choice',
    field: 'section',
    label: 'Section',
    options: SWALE_SECTIONS.map((value) => ({ value, label: SWALE_SECTION_LABELS[value] })),
  },
  {
    type: 'choice',
    field: 'lining',
    label: 'Lining',
    options: LININGS.map((value) => ({ value, label: LINING_FACTS[value].label, note: LINING_FACTS[value].note })),
  },
  soil,
  {
    type: 'choice',
    field: 'consent',
    label: 'Consent where it ends',
    options: [
      { value: NONE, label: 'None needed' },
      { value: 'needed', label: 'A neighbour’s, not given yet' },
      { value: 'given', label: 'A neighbour’s, given' },
    ],
  },
];

export const swaleView: ElementView<Swale> = work(SWALE, 'lines', ({ to }, open) => endsIn(to, open), {
  onPlan: ({ depth, sideSlope, bottomWidth = 0 }, { path, water, ground, chosen, scale, ink }) => {
    const width = Math.max(8, (bottomWidth + 2 * sideSlope * depth) * scale);
    return (
      <>
        <Path
          d={path}
          fill="none"
          stroke={ink}
          strokeWidth={width + (chosen ? 4 : 2)}
          strokeOpacity={chosen ? 0.8 : 0.35}
        />
        <Path d={path} fill="none" stroke={ground} strokeWidth={width} />
        <Path d={path} fill="none" stroke={water} strokeWidth={2.5} {...dots('14 6')} />
      </>
    );
  },
});
