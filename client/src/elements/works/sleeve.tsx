/** A sleeve: its fields, and how it lies on the plan. */
import { nameOf, ofKind, SLEEVE_USES, type Sleeve, elementOf, showNominal } from '@katabasis/core';
import { boreEntry } from '../../input/entry';
import { type FieldOf, FieldList } from '../../parts/forms/FieldList';
import { Path } from 'react-native-svg';
import type { ElementView } from '../view';
import { long } from './fields';
import { dots } from './workView';

const USES = { pipe: 'A drain pipe', irrigation: 'Sprinklers, later', cable: 'A cable' } as const;

const SLEEVE: readonly FieldOf<Sleeve>[] = [
  { type: 'quantity', field: 'nominal', label: 'Sleeve', entry: boreEntry },
  long,
  {
    type: 'choice',
    field: 'use',
    label: 'For',
    options: SLEEVE_USES.map((value) => ({ value, label: USES[value] })),
  },
  {
    type: 'lead',
    field: 'holds',
    label: 'Pipe that lies in it',
    none: 'None',
    among: (job) => ofKind(job, 'run').map(({ id }) => ({ id, name: nameOf(job, id) })),
  },
];

export const sleeveView: ElementView<Sleeve> = {
  Form: ({ element }) => <FieldList element={element} fields={SLEEVE} />,
  list: {
    group: 'lines',
    about: ({ nominal, holds }, { job, units }) => ({
      about: holds && elementOf(job, 'run', holds) ? `round ${nameOf(job, holds)}` : 'empty',
      figure: showNominal(nominal, units),
    }),
  },
  onPlan: (_, { path, ink, chosen }) => (
    <>
      <Path d={path} fill="none" stroke={ink} strokeWidth={chosen ? 9 : 7} strokeOpacity={0.35} />
      <Path d={path} fill="none" stroke={ink} strokeWidth={2} {...dots('8 5')} />
    </>
  ),
};
