/** A pump basin: the pump, its basin, and the line that it lifts through. */
import { put, usualPump, type Discharge } from '@katabasis/core';
import { View } from 'react-native';
import { useKept } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { areaEntry, flowEntry, lengthEntry, levelEntry, smallEntry } from '../../input/entry';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';

type Pump = NonNullable<Discharge['pump']>;

const FITTINGS = [
  { field: 'checkValve', label: 'Check valve' },
  { field: 'alarm', label: 'Alarm' },
  { field: 'freezeOverflow', label: 'Overflow at the wall, for frost' },
] as const;

export function PumpFields({ discharge }: { discharge: Discharge }) {
  const { edit, units } = useKept();
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
        <QuantityField
          label="Basin, floor"
          value={pump.area}
          {...areaEntry(units)}
          onCommit={(area) => save('Set its basin', { area: area! })}
        />
        <QuantityField
          label="Starts at"
          value={pump.start}
          {...levelEntry(units)}
          onCommit={(start) => save('Set where it starts', { start: start! })}
        />
        <QuantityField
          label="Stops at"
          value={pump.stop}
          {...levelEntry(units)}
          onCommit={(stop) => save('Set where it stops', { stop: stop! })}
        />
        <QuantityField
          label="Lifts through"
          value={pump.mainLength}
          {...lengthEntry(units)}
          onCommit={(mainLength) => save('Set its line', { mainLength: mainLength! })}
        />
        <QuantityField
          label="Of"
          value={pump.mainDiameter}
          {...smallEntry(units, 0.01, 1, 'A line is')}
          onCommit={(mainDiameter) => save('Set its line', { mainDiameter: mainDiameter! })}
        />
        <QuantityField
          label="Up to"
          value={pump.outletLevel}
          {...levelEntry(units)}
          onCommit={(outletLevel) => save('Set where it lets out', { outletLevel: outletLevel! })}
        />
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
