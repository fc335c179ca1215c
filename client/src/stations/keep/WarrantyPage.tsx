/** Until when the company stands for it and for what not; care by contract; and what was said and agreed, dated. */
import { leastUnits, NOTE_LABELS, ofKind, nameOf, pricesOf, put, type Keeping } from '@katabasis/core';
import { keepingOf, warrantyEnds } from '@katabasis/core/care';
import { View } from 'react-native';
import { NameField, QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { moneyEntry } from '../../input/moneyEntry';
import { countEntry } from '../../input/workEntries';
import { without } from '../../input/without';
import { DayField } from '../../parts/Day';
import { sayFullDay, todayOf } from '../../parts/today';
import { Notes } from '../../parts/written/Notes';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

const LONGEST = 600;

interface PartProps {
  keeping: Keeping;
  onSet: (label: string, next: Keeping) => string | null;
}

export function WarrantyPage() {
  const { job, edit } = useJob();
  const keeping = keepingOf(job);
  const set = (label: string, next: Keeping): string | null => edit(put(label, next));
  const said = ofKind(job, 'note').filter(
    ({ of, sort }) => of !== undefined && (sort === 'promise' || sort === 'warned'),
  );
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <Warranty keeping={keeping} onSet={set} />
      <Contract keeping={keeping} onSet={set} />
      <Notes of={null} />
      {said.map(({ id, sort, text, on, of, back }) => (
        <Text key={id} kind="small">
          {sayFullDay(on)}, {NOTE_LABELS[sort].toLowerCase()} at {nameOf(job, of!)}: {text}
          {back === undefined ? '' : ` (taken back ${sayFullDay(back)})`}
        </Text>
      ))}
    </View>
  );
}

/** Until when the company stands for it, and for what not. */
function Warranty({ keeping, onSet }: PartProps) {
  const { job } = useJob();
  const { warranty } = keeping;
  const ends = warrantyEnds(job);
  return (
    <>
      <Text kind="heading">Warranty</Text>
      <Fields of="keeping">
        <View style={fieldRow}>
          <QuantityField
            label="Months"
            value={warranty?.months}
            {...countEntry(1, LONGEST)}
            optional
            usual="none given"
            onCommit={(months) =>
              onSet(
                'Set the warranty',
                without(keeping, 'warranty', months === undefined ? undefined : { ...warranty, months }),
              )
            }
            testID="warranty-months"
          />
          <DayField
            label="Trench closed on"
            value={keeping.laidOn}
            onCommit={(laidOn) => onSet('Say when it was laid', without(keeping, 'laidOn', laidOn))}
          />
        </View>
        {warranty && (
          <NameField
            label="It does not cover"
            value={warranty.not ?? ''}
            optional
            most={2000}
            lines={2}
            usual="blocked grates, roots, what others dig"
            onCommit={(not) =>
              onSet('Say what the warranty does not cover', {
                ...keeping,
                warranty: without(warranty, 'not', not === '' ? undefined : not),
              })
            }
          />
        )}
      </Fields>
      {ends !== null && (
        <Text kind="strong">
          {ends < todayOf() ? 'It ended on' : 'It ends on'} {sayFullDay(ends)}.
        </Text>
      )}
      {warranty && ends === null && <Text tone="soft">Say when the trench was closed: it counts from then.</Text>}
    </>
  );
}

function Contract({ keeping, onSet }: PartProps) {
  const { job } = useJob();
  const { currency } = pricesOf(job);
  const { contract } = keeping;
  const agree = (next: Keeping['contract']): string | null =>
    onSet('Agree on care', without(keeping, 'contract', next));
  return (
    <>
      <Text kind="heading">Care by contract</Text>
      <Fields of="contract">
        <View style={fieldRow}>
          <QuantityField
            label="A year"
            value={contract?.amount}
            {...moneyEntry(leastUnits(currency), 1)}
            optional
            usual="no contract"
            onCommit={(amount) =>
              agree(amount === undefined ? undefined : { from: todayOf(), ...contract, amount: Math.round(amount) })
            }
          />
          {contract && (
            <DayField
              label="First visit"
              value={contract.from}
              onCommit={(from) => (from === undefined ? 'Say from when.' : agree({ ...contract, from }))}
            />
          )}
        </View>
      </Fields>
    </>
  );
}
