/** Hours of every step, of the machines, and loads that were hauled. */
import { RENTED_LABELS, stepLabel, type Rentable } from '@katabasis/core';
import { factor } from '@katabasis/core/ledger';
import { View } from 'react-native';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { hoursEntry } from '../../../input/entry';
import { timesEntry } from '../../../input/workEntries';
import { without } from '../../../input/without';
import { TookField } from '../../../parts/forms/TookField';
import { useJob } from '../../../planning/useJob';
import { useStyles } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { fieldRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';
import type { CameProps } from './CameCosts';

const make = (palette: Palette) => ({
  step: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.xs },
});

const MOST_LOADS = 10_000;
const hours = (count: number): string => `${(Math.round(count * 10) / 10).toString()}\u00a0h`;

export function CameHours(props: CameProps) {
  const styles = useStyles(make);
  const { job } = useJob();
  const { steps, hours: all } = props.came;
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">How long it took</Text>
      {all.took > 0 && (
        <Text kind="strong">
          {hours(all.took)} of the crew where {hours(all.planned)} were planned: {factor(all.took / all.planned)} times.
        </Text>
      )}
      {steps.length === 0 && <Text>Nothing is built here.</Text>}
      <View>
        {steps.map(({ step }) => (
          <View key={step.key} style={styles.step}>
            <Text>{stepLabel(job, step)}</Text>
            <TookField step={step} />
          </View>
        ))}
      </View>
      <Machines {...props} />
    </View>
  );
}

function Machines({ came, outcome, onSet }: CameProps) {
  const set = (machine: Rentable, ran: number | undefined): string | null => {
    const others = (outcome.machines ?? []).filter((each) => each.machine !== machine);
    const machines = ran === undefined ? others : [...others, { machine, hours: ran }];
    return onSet(
      `Say how long it ran: ${RENTED_LABELS[machine].toLowerCase()}`,
      without(outcome, 'machines', machines.length > 0 ? machines : undefined),
    );
  };
  return (
    <Fields of="outcome machines">
      <View style={fieldRow}>
        {came.machines.map(({ machine, planned, ran }) => (
          <QuantityField
            key={machine}
            label={`${RENTED_LABELS[machine]} ran, h`}
            value={ran ?? undefined}
            {...hoursEntry}
            optional
            usual={`planned ${hours(planned)}`}
            onCommit={(h) => (h === 0 ? 'Leave it empty where it did not run.' : set(machine, h))}
            testID={`ran-${machine}`}
          />
        ))}
        <QuantityField
          label="Truck loads hauled away"
          value={outcome.loads}
          {...timesEntry(0, MOST_LOADS)}
          optional
          usual={`planned ${came.loads.planned}`}
          onCommit={(loads) => onSet('Say how many loads were hauled', without(outcome, 'loads', loads))}
          testID="came-loads"
        />
      </View>
    </Fields>
  );
}
