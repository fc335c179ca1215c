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
import { useMemo } from 'react';
import { View } from 'react-native';
import { saveTable } from '../../files/tables';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { useNoted } from '../../input/useNoted';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { DataTable } from '../../ui/DataTable';
import { Text } from '../../ui/Text';
import { z } from 'zod';

const TABLES = [
  { value: 'runs', label: 'Runs' },
  { value: 'inlets', label: 'Inlets and ends' },
  { value: 'parts', label: 'Parts' },
  { value: 'price', label: 'Price' },
] as const;
const nameSchema = z.enum(['runs', 'inlets', 'parts', 'price']);
type Name = z.infer<typeof nameSchema>;

/** The one that is looked at, from what is worked out already. */
const MADE: Record<Name, (job: Job, plan: Plan, taken: TakeOff) => Table> = {
  runs: runsTable,
  inlets: inletsTable,
  parts: (job, _, taken) => partsSheet(job, taken),
  price: (job, _, taken) => priceTable(job, taken, priceOf(job, taken)),
};

/** Which one is looked at, and the order that each was put in: found again after whatever a row led to, and after a reload. */
const lookedAtSchema = z.object({
  name: nameSchema,
  orders: z.partialRecord(nameSchema, z.object({ at: z.int().min(0), desc: z.boolean() }).optional()),
});
type LookedAt = z.infer<typeof lookedAtSchema>;
const AT_FIRST: LookedAt = { name: 'runs', orders: {} };

export function TablesSheet({ taken, onGo }: { taken: TakeOff; onGo: (id: string) => void }) {
  const { job, plan } = useJob();
  const seesPrices = useMay('prices');
  const [{ name: looked, orders }, look] = useNoted(`katabasis.tables.${job.id}`, lookedAtSchema, AT_FIRST);
  const name = looked === 'price' && !seesPrices ? 'runs' : looked;
  const table = useMemo(() => MADE[name](job, plan, taken), [job, plan, taken, name]);
  const by = orders[name];
  const save = (): void => saveTable(job, name, [table.columns.map(({ title }) => title), ...table.rows]);
  return (
    <>
      <Choice
        label="Table"
        value={name}
        options={seesPrices ? TABLES : TABLES.filter(({ value }) => value !== 'price')}
        onChoose={(next) => look((now) => ({ ...now, name: next }))}
      />
      <Text kind="heading">{table.title}</Text>
      <DataTable
        key={name}
        label={table.title}
        {...table}
        onGo={onGo}
        by={by && by.at < table.columns.length ? by : null}
        onBy={(next) => look((now) => ({ ...now, orders: { ...now.orders, [name]: next ?? undefined } }))}
      />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Save as a table" icon={Download} onPress={save} testID="save-table" />
      </View>
    </>
  );
}
