/** What keeps water at a way out until it has soaked away. */
import { put, SOIL_FACTS, SOILS, storeOf, type Discharge } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { areaEntry, levelEntry, shareBetween, smallEntry } from '../../input/entry';
import { without } from '../../input/without';
import { soakEntry } from '../../input/workEntries';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';

export function StoreFields({ discharge }: { discharge: Discharge }) {
  const { edit, units } = useJob();
  const store = storeOf(discharge)!;
  const set = (label: string, field: keyof typeof store, value: unknown): string | null =>
    edit(put(label, { ...discharge, store: without(store, field, value) }));
  return (
    <>
      <View style={fieldRow}>
        <QuantityField
          label="Its floor"
          value={store.area}
          {...areaEntry(units)}
          onCommit={(area) => set('Set its floor', 'area', area)}
        />
        <QuantityField
          label="Deep"
          value={store.depth}
          {...smallEntry(units, 0.02, 20, 'It is')}
          onCommit={(depth) => set('Set its depth', 'depth', depth)}
        />
        <QuantityField
          label="Ground over its top"
          value={store.cover}
          {...smallEntry(units, 0, 20, 'Cover is')}
          onCommit={(cover) => set('Set its cover', 'cover', cover)}
        />
        <QuantityField
          label="Water fills"
          value={store.voids}
          {...shareBetween(0.05, 1, 'A share is')}
          onCommit={(voids) => set('Say how hollow it is', 'voids', voids)}
        />
        <QuantityField
          label="Soil takes, tested"
          usual="by its soil"
          value={store.conductivity}
          {...soakEntry(units)}
          optional
          onCommit={(conductivity) => set('Set what the soil takes', 'conductivity', conductivity)}
        />
        <QuantityField
          label="Ground water at its highest"
          usual="not known"
          value={store.waterTable}
          {...levelEntry(units)}
          optional
          onCommit={(waterTable) => set('Set the ground water', 'waterTable', waterTable)}
        />
      </View>
      <Choice
        label="Soil"
        value={store.soil ?? null}
        options={SOILS.map((value) => ({ value, label: SOIL_FACTS[value].label }))}
        onChoose={(soil) => void set('Say its soil', 'soil', soil)}
      />
    </>
  );
}
