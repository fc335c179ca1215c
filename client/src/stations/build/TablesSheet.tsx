/** The job's tables on the screen, as they are printed and saved: each put in order by any of its columns. */
import {
  inletsTable,
  partsSheet,
  priceOf,
  priceTable,
  runsTable,
  type Job,
  type Plan,
  type Table,
  type TakeOff,
} from '@katabasis/core';
import Download from 'lucide-react-native/icons/download';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { saveTable } from '../../data/tables';
import { useKept } from '../../data/useJob';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { DataTable } from '../../ui/DataTable';
import { Text } from '../../ui/Text';

const TABLES = [
  { value: 'runs', label: 'Runs' },
  { value: 'inlets', label: 'Inlets and ends' },
  { value: 'parts', label: 'Parts' },
  { value: 'price', label: 'Price' },
] as const;
type Name = (typeof TABLES)[number]['value'];

/** The one that is looked at, from what is worked out already. */
const MADE: Record<Name, (job: Job, plan: Plan, taken: TakeOff) => Table> = {
  runs: runsTable,
  inlets: inletsTable,
  parts: (job, _, taken) => partsSheet(job, taken),
  price: (job, _, taken) => priceTable(job, taken, priceOf(job, taken)),
};

export function TablesSheet({ taken, onGo }: { taken: TakeOff; onGo: (id: string) => void }) {
  const { job, plan } = useKept();
  const [name, setName] = useState<Name>('runs');
  const table = useMemo(() => MADE[name](job, plan, taken), [job, plan, taken, name]);
  const save = (): void => saveTable(job, name, [table.columns.map(({ title }) => title), ...table.rows]);
  return (
    <>
      <Choice label="Table" value={name} options={TABLES} onChoose={setName} />
      <Text kind="heading">{table.title}</Text>
      <DataTable key={name} label={table.title} {...table} onGo={onGo} />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Save as a table" icon={Download} onPress={save} testID="save-table" />
      </View>
    </>
  );
}
