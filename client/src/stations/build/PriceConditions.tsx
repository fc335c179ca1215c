/** What the ground and the place add to a price, and what is charged once: permits, rentals by their days. */
import { leastUnits, pricesOf, put, headOf, type JobElement } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { NameField, QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { distanceUpTo, shareBetween, smallEntry } from '../../input/entry';
import { moneyEntry } from '../../input/moneyEntry';
import { useNoted } from '../../input/useNoted';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { z } from 'zod';

type Own = NonNullable<JobElement['prices']>;
const MOST_WHEELED = 1000;
const draft = z.string();

export function PriceConditions() {
  const { job, units, edit } = useJob();
  const { conditions } = pricesOf(job);
  const head = headOf(job);
  const set = (label: string, next: Own): string | null =>
    edit(put(label, { ...head, prices: { ...head.prices, ...next } }));
  const meets = (next: NonNullable<Own['conditions']>): string | null =>
    set('Say what the trench meets', { conditions: { ...head.prices?.conditions, ...next } });
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">What the trench meets besides</Text>
      <Fields of={null}>
        <View style={fieldRow}>
          <QuantityField
            label="Of it in rock"
            value={conditions.rock ?? 0}
            {...shareBetween(0, 1, 'It is')}
            onCommit={(rock) => meets({ rock: rock! })}
            testID="price-rock"
          />
          <QuantityField
            label="Of it in water"
            value={conditions.wet ?? 0}
            {...shareBetween(0, 1, 'It is')}
            onCommit={(wet) => meets({ wet: wet! })}
          />
          <QuantityField
            label="Wheeled by barrow"
            value={conditions.barrow ?? 0}
            {...distanceUpTo(units, MOST_WHEELED, 'Spoil is wheeled')}
            optional
            onCommit={(barrow) => meets({ barrow: barrow ?? 0 })}
          />
        </View>
        <QuantityField
          label="Narrowest gate on the way in"
          value={conditions.gate}
          {...smallEntry(units, 0.01, 20, 'A gate is')}
          optional
          usual="not measured"
          onCommit={(gate) =>
            set('Measure the gate', { conditions: without({ ...head.prices?.conditions }, 'gate', gate) })
          }
          testID="gate"
        />
        <Choice
          label="A machine gets in"
          value={conditions.narrow ? 'no' : 'yes'}
          options={[
            { value: 'yes', label: 'Yes' },
            { value: 'no', label: 'No, all by hand' },
          ]}
          onChoose={(value) => void meets({ narrow: value === 'no' })}
        />
        <Extra set={set} />
      </Fields>
    </View>
  );
}

/** What is charged once: its name, and then how much. */
function Extra({ set }: { set: (label: string, next: Own) => string | null }) {
  const { job } = useJob();
  const { extras, currency } = pricesOf(job);
  const [name, note] = useNoted(`katabasis.extra.${job.id}`, draft, '');
  return (
    <View style={fieldRow}>
      <NameField
        label="Permit, rental or other"
        value={name}
        optional
        usual="such as Excavator, 2 days"
        onCommit={(typed) => {
          if (extras.some((each) => each.name === typed))
            return 'There is one of that name; tap its line to change it.';
          note(() => typed);
        }}
        testID="extra-name"
      />
      {name !== '' && (
        <QuantityField
          label="Charged once"
          value={undefined}
          {...moneyEntry(leastUnits(currency), 1)}
          optional
          onCommit={(amount) => {
            if (amount === undefined) return null;
            const refused = set(`Charge ${name}`, { extras: [...extras, { name, amount: Math.round(amount) }] });
            if (refused === null) note(() => '');
            return refused;
          }}
          testID="extra-amount"
        />
      )}
    </View>
  );
}
