/** Of a tree or service that lies on no plan: which pipe it lies beside, how far down that, and how far off. */
import { nameOf, ofKind, put, type Service, type Tree } from '@katabasis/core';
import { View } from 'react-native';
import { distanceUpTo } from '../../input/entry';
import { QuantityField } from '../../input/Field';
import { without } from '../../input/without';
import { useJob } from '../../planning/useJob';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { NONE } from './FieldList';

export function BesideRun({ element }: { element: Tree | Service }) {
  const { job, edit, units } = useJob();
  const runs = ofKind(job, 'run');
  const drawn = element.kind === 'tree' ? element.place : element.way;
  if (drawn || runs.length === 0) return null;
  const set = (label: string, field: 'beside' | 'along' | 'away', value: unknown): string | null =>
    edit(put(label, without(element as Tree, field, value)));
  return (
    <>
      <Choice
        label="Beside which pipe"
        value={element.beside ?? NONE}
        options={[{ value: NONE, label: 'None' }, ...runs.map(({ id }) => ({ value: id, label: nameOf(job, id) }))]}
        onChoose={(run) => void set('Say which pipe it lies beside', 'beside', run === NONE ? undefined : run)}
      />
      {element.beside !== undefined && (
        <View style={fieldRow}>
          <QuantityField
            label="How far down it"
            usual="at its head"
            value={element.along}
            {...distanceUpTo(units, 10_000, 'It is')}
            optional
            onCommit={(along) => set('Say how far down the pipe it is', 'along', along)}
          />
          <QuantityField
            label="How far off"
            usual="across it"
            value={element.away}
            {...distanceUpTo(units, 1000, 'It is')}
            optional
            onCommit={(away) => set('Say how far off the pipe it is', 'away', away)}
          />
        </View>
      )}
    </>
  );
}
