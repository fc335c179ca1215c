/** What went into the ground of each part, and what was paid for it. */
import { amountOf, leastUnits, money, partLabel, pricesOf, text, type Outcome } from '@katabasis/core';
import { percent, type Compared } from '@katabasis/core/ledger';
import { useState } from 'react';
import { View } from 'react-native';
import { amountEntry } from '../../../input/amountEntry';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { moneyEntry } from '../../../input/moneyEntry';
import { without } from '../../../input/without';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { fieldRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';
import { KeepRow } from '../KeepRow';
import type { CameProps } from './CameCosts';

type PartCame = Compared['parts'][number];
type Used = NonNullable<Outcome['used']>[number];

export function CameParts({ came, outcome, onSet }: CameProps) {
  const { units } = useJob();
  const [open, setOpen] = useState<string | null>(null);
  const change = (key: string, label: string, next: Used | null): string | null => {
    const others = (outcome.used ?? []).filter(({ part }) => part !== key);
    const used = next ? [...others, next] : others;
    return onSet(`Say what was used: ${label}`, without(outcome, 'used', used.length > 0 ? used : undefined));
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">Parts used</Text>
      <Text>Those that came out otherwise than counted, or that you know the bill of: the rest may be left.</Text>
      <View>
        {came.parts.map((each) => {
          const { key, item } = each.part;
          const label = partLabel(item, units);
          return (
            <View key={key}>
              <KeepRow
                mark={each.used === null ? 'empty' : 'holds'}
                title={label}
                about={usedWords(each, units)}
                here={open === key}
                onPress={() => setOpen((now) => (now === key ? null : key))}
                testID={`used-${item.type}`}
              />
              {open === key && <UsedFields each={each} onChange={(next) => change(key, label.toLowerCase(), next)} />}
            </View>
          );
        })}
      </View>
    </View>
  );
}

function usedWords({ part, used }: PartCame, units: 'us' | 'metric'): string {
  const counted = `Counted ${text(amountOf(part.net, part.unit, units))}`;
  if (used === null) return counted;
  const more = part.net > 0 ? used / part.net - 1 : 0;
  const beside = Math.abs(more) < 0.005 ? '' : `, ${percent(Math.abs(more))} ${more > 0 ? 'more' : 'less'}`;
  return `${counted}, used ${text(amountOf(used, part.unit, units))}${beside}`;
}

interface UsedProps {
  each: PartCame;
  onChange: (next: Used | null) => string | null;
}

function UsedFields({ each, onChange }: UsedProps) {
  const { job, units } = useJob();
  const { currency } = pricesOf(job);
  const { part, used, paid, rate } = each;
  const { key, unit, net } = part;
  return (
    <Fields of={`used ${key}`}>
      <View style={[fieldRow, { paddingBottom: SPACE.m }]}>
        <QuantityField
          label="Used"
          value={used ?? undefined}
          {...amountEntry(unit, units)}
          optional
          usual={`counted ${text(amountOf(net, unit, units))}`}
          onCommit={(quantity) =>
            onChange(quantity === undefined ? null : { part: key, quantity, ...(paid === null ? {} : { paid }) })
          }
          testID="used-quantity"
        />
        <QuantityField
          label="Paid for all of it"
          value={paid ?? undefined}
          {...moneyEntry(leastUnits(currency), 1)}
          optional
          usual={money(Math.round(rate * (used ?? net)), currency)}
          hint="At the rate of the price"
          onCommit={(next) =>
            onChange({
              part: key,
              // A bill without a count is of what was counted.
              quantity: used ?? net,
              ...(next === undefined ? {} : { paid: Math.round(next) }),
            })
          }
          testID="used-paid"
        />
      </View>
    </Fields>
  );
}
