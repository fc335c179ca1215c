/** An edge in the ground: kerb, edge of a slab, top or toe of a bank. */
import { BREAKLINE_FORMS, put, showLength, wayLength, type Breakline, type BreaklineForm } from '@katabasis/core';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { levelEntry } from '../../input/entry';
import { OwnName } from '../../parts/forms/OwnName';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import type { ElementView } from '../view';

const LABELS: Record<BreaklineForm, string> = {
  kerb: 'Kerb',
  slabEdge: 'Edge of a slab',
  bankTop: 'Top of a bank',
  bankToe: 'Toe of a bank',
};

function Form({ element: edge }: { element: Breakline }) {
  const { edit, units } = useJob();
  const { way = [], levels = [] } = edge;
  const level = (k: number, value: number | undefined): string | null =>
    edit(
      put('Set its level', {
        ...edge,
        levels: way.map((_, at) => (at === k ? (value ?? null) : (levels[at] ?? null))),
      }),
    );
  return (
    <>
      <Choice
        label="What it is"
        value={edge.form}
        options={BREAKLINE_FORMS.map((value) => ({ value, label: LABELS[value] }))}
        onChoose={(form) => edit(put('Say what it is', { ...edge, form }))}
      />
      <OwnName element={edge} />
      {way.length > 0 && <Text kind="small">Levels along it; between two that are known it runs straight.</Text>}
      <View style={fieldRow}>
        {way.map((_, k) => (
          <QuantityField
            key={k}
            label={`At corner ${k + 1}`}
            usual="not measured"
            value={levels[k] ?? undefined}
            {...levelEntry(units)}
            optional
            onCommit={(value) => level(k, value)}
          />
        ))}
      </View>
    </>
  );
}

export const breaklineView: ElementView<Breakline> = {
  Form,
  list: {
    group: 'levels',
    about: ({ form, way }, { units }) => ({
      about: LABELS[form].toLowerCase(),
      ...(way ? { figure: showLength(wayLength(way), units) } : {}),
    }),
  },
  onPlan: (_, { path, soft, chosen }) => (
    <Path d={path} fill="none" stroke={soft} strokeWidth={chosen ? 4 : 2.2} strokeDasharray="12 3" />
  ),
};
