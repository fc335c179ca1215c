/** A berm: its fields, and how it lies on the plan. */
import { ofKind, type Berm, nameOf } from '@katabasis/core';
import { areaEntry, levelEntry, smallEntry } from '../../input/entry';
import { timesEntry } from '../../input/workEntries';
import type { FieldOf } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { depth, long, takers } from './fields';
import { work, dots } from './workView';

const BERM: readonly FieldOf<Berm>[] = [
  { type: 'quantity', field: 'footLevel', label: 'Ground at its lowest', entry: levelEntry },
  { type: 'quantity', field: 'height', label: 'Crest over that', entry: depth('A berm is') },
  {
    type: 'quantity',
    field: 'topWidth',
    label: 'Crest wide',
    entry: (units) => smallEntry(units, 0, 20, 'A crest is'),
  },
  { type: 'quantity', field: 'sideSlope', label: 'Sides, so much across to 1 up', entry: () => timesEntry(0.1, 20) },
  long,
  { type: 'quantity', field: 'waterLevel', label: 'Highest water seen', usual: 'by its swale', entry: levelEntry },
  { type: 'quantity', field: 'hollow', label: 'Hollow behind it', usual: 'not measured', entry: areaEntry },
  {
    type: 'lead',
    field: 'holds',
    label: 'Holds off the water of',
    none: 'Nothing drawn',
    among: (job) => ofKind(job, 'swale'),
  },
  { type: 'lead', field: 'to', label: 'Behind it drains to', none: 'Nothing yet', among: takers },
];

export const bermView: ElementView<Berm> = work(
  BERM,
  'ground',
  ({ to }, { job }) => (to && job.elements.get(to) ? `drained to ${nameOf(job, to)}` : 'nothing drains behind it'),
  {
    onPlan: ({ topWidth, sideSlope, height }, { path, ink, chosen, scale }) => (
      <>
        <Path
          d={path}
          fill="none"
          stroke={ink}
          strokeWidth={Math.max(8, (topWidth + 2 * sideSlope * height) * scale)}
          strokeOpacity={0.18}
        />
        <Path d={path} fill="none" stroke={ink} strokeWidth={chosen ? 4 : 2.5} {...dots('1 4')} />
      </>
    ),
  },
);
