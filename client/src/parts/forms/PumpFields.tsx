/** A pump basin: the pump, its basin, and the line that it lifts through. */
import { put, usualPump, type Discharge, type UnitSystem } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { areaEntry, lengthEntry, levelEntry, smallEntry, type Entry, flowEntry } from '../../input/entry';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';

type Pump = NonNullable<Discharge['pump']>;

const FITTINGS = [
  { field: 'checkValve', label: 'Check valve' },
  { field: 'alarm', label: 'Alarm' },
  { field: 'freezeOverflow', label: 'Overflow at the wall, for frost' },
] as const;

interface Figure {
  field: 'area' | 'start' | 'stop' | 'mainLength' | 'mainDiameter' | 'outletLevel';
  label: string;
  /** What setting it is called. */
  act: string;
  entry: (units: UnitSystem) => Entry;
}

const FIGURES: readonly Figure[] = [
  { field: 'area', label: 'Basin, floor', act: 'Set its basin', entry: areaEntry },
  { field: 'start', label: 'Starts at', act: 'Set where it starts', entry: levelEntry },
  { field: 'stop', label: 'Stops at', act: 'Set where it stops', entry: levelEntry },
  { field: 'mainLength', label: 'Lifts through', act: 'Set its line', entry: lengthEntry },
  {
    field: 'mainDiameter',
    label: 'Of',
    act: 'Set its line',
    entry: (units) => smallEntry(units, 0.01, 1, 'A line is'),
  },
  { field: 'outletLevel', label: 'Up to', act: 'Set where it lets out', entry: levelEntry },
];

export function PumpFields({ discharge }: { discharge: Discharge }) {
  const { edit, units } = useJob();
  const pump = discharge.pump ?? usualPump(discharge.groundLevel);
  const save = (label: string, next: Partial<Pump>): string | null => {
    const { start, stop } = { ...pump, ...next };
    if (stop >= start) return 'It stops lower than it starts.';
    return edit(put(label, { ...discharge, pump: { ...pump, ...next } }));
  };
  const shutOff = pump.curve[0]!;
  const most = pump.curve.at(-1)!;
  const middle = pump.curve.slice(1, -1);
  return (
    <>
      <View style={fieldRow}>
        <QuantityField
          label="Lifts at most"
          value={shutOff.head}
          {...lengthEntry(units)}
          hint="Head on its plate, with nothing flowing"
          onCommit={(head) => {
            const share = head! / (shutOff.head || 1);
            return save('Set its head', { curve: pump.curve.map((each) => ({ ...each, head: each.head * share })) });
          }}
        />
        <QuantityField
          label="Pumps at most"
          value={most.flow}
          {...flowEntry(units)}
          hint={middle.length > 0 ? 'Its curve between keeps its shape' : 'With no head against it'}
          onCommit={(flow) => {
            const share = flow! / (most.flow || 1);
            return save('Set its flow', { curve: pump.curve.map((each) => ({ ...each, flow: each.flow * share })) });
          }}
        />
        {FIGURES.map(({ field, label, act, entry }) => (
          <QuantityField
            key={field}
            label={label}
            value={pump[field]}
            {...entry(units)}
            onCommit={(value) => save(act, { [field]: value! })}
          />
        ))}
      </View>
      {FITTINGS.map(({ field, label }) => (
        <Choice
          key={field}
          label={label}
          value={pump[field] ? 'yes' : 'no'}
          options={[
            { value: 'no', label: 'None' },
            { value: 'yes', label: 'Built in' },
          ]}
          onChoose={(next) => void save(`Set ${label.toLowerCase()}`, { [field]: next === 'yes' })}
        />
      ))}
    </>
  );
}
