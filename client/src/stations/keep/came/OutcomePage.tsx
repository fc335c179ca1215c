/** How the job came out: hours, costs and what was asked, beside its plan; once settled it counts among the company's own figures. */
import { leastUnits, money, pricesOf, put, type Outcome } from '@katabasis/core';
import { compared, outcomeOf, percent, plannedThen, type Compared } from '@katabasis/core/ledger';
import { useMemo } from 'react';
import { View } from 'react-native';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { moneyEntry } from '../../../input/moneyEntry';
import { without } from '../../../input/without';
import { DayField } from '../../../parts/Day';
import { sayFullDay, todayOf } from '../../../parts/today';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';
import { CameCosts } from './CameCosts';
import { CameHours } from './CameHours';
import { CameParts } from './CameParts';

export function OutcomePage() {
  const { job, plan, edit } = useJob();
  const came = useMemo(() => compared(job, plan), [job, plan]);
  const then = useMemo(() => plannedThen(job), [job]);
  const outcome = outcomeOf(job);
  const { currency } = pricesOf(job);
  const set = (label: string, next: Outcome): string | null => edit(put(label, next));
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <Left came={came} currency={currency} />
      {then && (
        <Text kind="small" testID="came-then">
          What stands as planned here is for what was built. The plan kept before the dig was to cost{' '}
          {money(then.cost, currency)} and be asked for at {money(then.price, currency)}.
        </Text>
      )}
      <Fields of="outcome">
        <QuantityField
          label="Asked in the end, before tax"
          value={outcome.asked}
          {...moneyEntry(leastUnits(currency), 1)}
          optional
          usual={`planned ${money(came.asked.planned, currency)}`}
          onCommit={(asked) =>
            set('Say what was asked', without(outcome, 'asked', asked === undefined ? asked : Math.round(asked)))
          }
          testID="came-asked"
        />
      </Fields>
      <CameCosts came={came} outcome={outcome} onSet={set} />
      <CameHours came={came} outcome={outcome} onSet={set} />
      <CameParts came={came} outcome={outcome} onSet={set} />
      <Settled outcome={outcome} came={came} onSet={set} />
    </View>
  );
}

/** The one figure: what was left of what was asked. */
function Left({ came, currency }: { came: Compared; currency: string }) {
  const { earned, asked } = came;
  if (earned.came === null || asked.came === null)
    return (
      <Text>
        Say what was asked, what it cost and how long it took: what was left stands here, and the company’s own paces
        and rates come of it. Planned were {money(earned.planned, currency)} after all costs.
      </Text>
    );
  const lost = earned.came < 0;
  const share = asked.came > 0 ? `${percent(Math.abs(earned.came) / asked.came)} of what was asked` : '';
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' }} role="status" testID="came-left">
      <Mark kind={lost ? 'fix' : 'holds'} size={24} />
      <View style={{ flex: 1 }}>
        <Text kind="hero">{money(Math.abs(earned.came), currency)}</Text>
        <Text kind="strong">
          {lost ? 'Lost' : 'Left'}
          {share === '' ? '' : `, ${share}`}; planned were {money(earned.planned, currency)}.
        </Text>
        <Text kind="small">After all costs, the firm’s own, and what was put right at our cost.</Text>
      </View>
    </View>
  );
}

interface SettledProps {
  outcome: Outcome;
  came: Compared;
  onSet: (label: string, next: Outcome) => string | null;
}

function Settled({ outcome, came, onSet }: SettledProps) {
  const { settledOn } = outcome;
  const guessed = came.costs.filter(({ by, planned }) => by === 'plan' && planned > 0);
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">All bills in</Text>
      <Text>
        {settledOn === undefined
          ? 'Once all bills are in it counts among the company’s own figures. Hours count as soon as they are told.'
          : `It counts since ${sayFullDay(settledOn)}.`}
        {came.asked.came === null && ' Its money counts once it is said what was asked.'}
        {guessed.length > 0 && ' What nobody told the cost of counts as planned.'}
      </Text>
      {settledOn === undefined ? (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label="All bills are in"
            kind="main"
            onPress={() => void onSet('Settle the job', { ...outcome, settledOn: todayOf() })}
            testID="came-settle"
          />
        </View>
      ) : (
        <Fields of="outcome">
          <DayField
            label="Settled on"
            value={settledOn}
            onCommit={(day) => onSet('Say when it was settled', without(outcome, 'settledOn', day))}
          />
        </Fields>
      )}
    </View>
  );
}
