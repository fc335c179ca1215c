/** What the job cost, by what it went into: typed where a bill says it, else by the hours or as planned. */
import { leastUnits, money, pricesOf, type CostOf, type Outcome } from '@katabasis/core';
import { COST_LABELS, type Compared } from '@katabasis/core/ledger';
import { View } from 'react-native';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { moneyEntry } from '../../../input/moneyEntry';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { fieldRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';

export interface CameProps {
  came: Compared;
  outcome: Outcome;
  onSet: (label: string, next: Outcome) => string | null;
}

const ALL: readonly CostOf[] = ['parts', 'work', 'machines', 'hauling', 'others'];

export function CameCosts({ came, outcome, onSet }: CameProps) {
  const { job } = useJob();
  const { currency } = pricesOf(job);
  const told = outcome.costs ?? {};
  const set = (of: CostOf, amount: number | undefined): string | null => {
    const { [of]: _before, ...others } = told;
    const costs = amount === undefined ? others : { ...others, [of]: Math.round(amount) };
    const { costs: _costs, ...rest } = outcome;
    return onSet(`Say what it cost: ${COST_LABELS[of].toLowerCase()}`, {
      ...rest,
      ...(Object.keys(costs).length > 0 ? { costs } : {}),
    });
  };
  /** What it counts as while no bill says it. */
  const unsaid = (of: CostOf): { usual: string; hint?: string } => {
    const cost = came.costs.find((each) => each.of === of);
    if (!cost) return { usual: 'none planned' };
    if (cost.by === 'hours') return { usual: money(cost.came, currency), hint: 'By the hours that it took' };
    const planned = money(cost.planned, currency);
    return told[of] === undefined
      ? { usual: planned, hint: 'As planned' }
      : { usual: planned, hint: `Planned ${planned}` };
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">What it cost</Text>
      <Fields of="outcome costs">
        <View style={fieldRow}>
          {ALL.map((of) => (
            <QuantityField
              key={of}
              label={COST_LABELS[of]}
              value={told[of]}
              {...moneyEntry(leastUnits(currency), 1)}
              optional
              {...unsaid(of)}
              onCommit={(amount) => set(of, amount)}
              testID={`cost-${of}`}
            />
          ))}
        </View>
      </Fields>
      <Text>
        {money(came.cost.came, currency)} in all; planned were {money(came.cost.planned, currency)}.
      </Text>
    </View>
  );
}
