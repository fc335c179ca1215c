/** A table of levels: what each column holds, and what would come of it before any of it is in the job. */
import { COLUMNS, mappingFault, readLevels, type Column, type Mapping, type ReadLevels } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';

export interface Table {
  name: string;
  rows: string[][];
  mapping: Mapping;
}

const COLUMN_LABELS: Record<Column, string> = {
  point: 'Point',
  north: 'North',
  east: 'East',
  level: 'Level',
  code: 'What stands there',
  none: 'Leave out',
};

export function TableSheet({
  table: { name, rows, mapping },
  onTable,
  onIn,
  onClose,
}: {
  table: Table;
  onTable: (table: Table | null) => void;
  onIn: (lines: string[]) => void;
  onClose: () => void;
}) {
  const { edit } = useJob();
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (next: Partial<Mapping>): void => onTable({ name, rows, mapping: { ...mapping, ...next } });
  const fault = mappingFault(mapping);
  const read = fault === null ? readLevels(rows, mapping) : null;
  const putIn = (): void => {
    if (!read) return;
    const refused = edit({ label: `Bring in ${read.levels.length} levels`, puts: read.levels, removes: [] });
    if (refused !== null) setWrong(refused);
    else
      onIn([
        `${read.levels.length} levels are in. Undo takes them all back.`,
        ...read.refused.slice(0, 12).map(({ row, why }) => `Row ${row} ${why}.`),
      ]);
  };
  return (
    <Sheet title={name} over="Levels that would come in" onClose={onClose}>
      <Choice
        label="Its figures are"
        value={mapping.unit}
        options={[
          { value: 'm', label: 'Metres' },
          { value: 'ft', label: 'Feet' },
        ]}
        onChoose={(unit) => set({ unit })}
      />
      {mapping.columns.map((column, k) => (
        <Choice
          key={k}
          label={`Column ${k + 1}: ${rows
            .slice(0, 3)
            .map((row) => row[k] ?? '')
            .join(', ')}`}
          value={column}
          options={COLUMNS.map((value) => ({ value, label: COLUMN_LABELS[value] }))}
          onChoose={(next) => set({ columns: mapping.columns.map((each, at) => (at === k ? next : each)) })}
        />
      ))}
      {fault !== null && (
        <Text tone="stop" role="alert">
          {fault}
        </Text>
      )}
      {read && <WouldCome read={read} />}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          label="Bring them in"
          kind="main"
          disabled={!read || read.levels.length === 0}
          onPress={putIn}
          testID="levels-put-in"
        />
        <Button label="Another file" kind="bare" onPress={() => onTable(null)} />
      </View>
    </Sheet>
  );
}

/** Of a table that was read: how many levels, and which rows are none. */
function WouldCome({ read }: { read: ReadLevels }) {
  return (
    <View aria-live="polite">
      <Text kind="strong">
        {read.levels.length} levels
        {read.refused.length > 0 ? `, and ${read.refused.length} rows that are none` : ''}
      </Text>
      {read.refused.slice(0, 20).map(({ row, why }) => (
        <Text key={row}>
          Row {row} {why}.
        </Text>
      ))}
      {read.refused.length > 20 && <Text>And {read.refused.length - 20} more.</Text>}
    </View>
  );
}
