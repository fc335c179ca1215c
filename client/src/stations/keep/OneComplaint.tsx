/** One complaint: what was seen, the rain of that day, what was found and done, and the visit that closed it. */
import {
  leastUnits,
  money,
  nameOf,
  ofKind,
  pricesOf,
  put,
  text,
  WHO_PAYS,
  type Complaint,
  type Job,
} from '@katabasis/core';
import { showRainDepth, visitsOf, visitTitle } from '@katabasis/core/visits';
import { useState } from 'react';
import { View } from 'react-native';
import { offices } from '../../files/offices';
import { NameField, QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { moneyEntry } from '../../input/moneyEntry';
import { without } from '../../input/without';
import { DayField } from '../../parts/Day';
import { sayFullDay, todayOf } from '../../parts/today';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { whyNot } from '../../sync/ask';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { PutPhotos } from './PutPhotos';

const make = (palette: Palette) => ({
  one: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.m, gap: SPACE.m },
  head: { flexDirection: 'row' as const, gap: SPACE.m, alignItems: 'flex-start' as const },
});

const PAYS_LABELS: Record<(typeof WHO_PAYS)[number], string> = {
  company: 'Ours',
  customer: 'Theirs',
  other: 'Another’s',
};

const NOWHERE = 'nowhere';

/** What a customer may see wet, dry or broken: where water goes in, where it stands, and where it comes out. */
const complainedAt = (job: Job): { id: string; name: string }[] =>
  (['downspout', 'basin', 'channel', 'discharge', 'wetSpot', 'building'] as const).flatMap((kind) => ofKind(job, kind));

export function OneComplaint({ complaint }: { complaint: Complaint }) {
  const styles = useStyles(make);
  const { job, units } = useJob();
  const { currency } = pricesOf(job);
  const closed = complaint.closedOn !== undefined;
  const [open, setOpen] = useState(!closed);
  const by = visitsOf(job).find(({ id }) => id === complaint.closedBy);
  return (
    <View style={styles.one} testID="complaint">
      <View style={styles.head}>
        <Mark kind={closed ? 'holds' : 'fix'} />
        <View style={{ flex: 1, gap: 2 }}>
          <Text kind="strong">{complaint.saw}</Text>
          <Text kind="small">
            {sayFullDay(complaint.on)}
            {complaint.rain
              ? `, ${text(showRainDepth(complaint.rain.depth, units))} of rain that day (${complaint.rain.from})`
              : ''}
            {complaint.of ? `, at ${nameOf(job, complaint.of)}` : ''}
            {closed
              ? `. Closed on ${sayFullDay(complaint.closedOn!)}${by ? ` by: ${visitTitle(job, by)}` : ''}`
              : '. Open'}
          </Text>
          {complaint.cost !== undefined && complaint.pays && (
            <Text kind="small">
              {money(complaint.cost, currency)}, {PAYS_LABELS[complaint.pays].toLowerCase()} to pay
            </Text>
          )}
        </View>
        <Button label={open ? 'Less' : 'More'} kind="bare" onPress={() => setOpen((now) => !now)} />
      </View>
      {open && (
        <>
          <Where complaint={complaint} />
          <Dealt complaint={complaint} />
          <Closing complaint={complaint} />
        </>
      )}
    </View>
  );
}

/** The thing at which it was seen, and photos of it. */
function Where({ complaint }: { complaint: Complaint }) {
  const { job, edit } = useJob();
  const options = [
    { value: NOWHERE, label: 'Nowhere in particular' },
    ...complainedAt(job).map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <>
      <Choice
        label="Seen at"
        value={complaint.of ?? NOWHERE}
        options={options}
        strip
        onChoose={(of) => edit(put('Say where it was seen', without(complaint, 'of', of === NOWHERE ? undefined : of)))}
      />
      <PutPhotos
        photos={complaint.photos}
        called={`Complaint of ${complaint.on}`}
        at={complaint.of}
        onPut={(photo, photos) => ({
          label: 'Put a photo to a complaint',
          puts: [photo, { ...complaint, photos }],
          removes: [],
        })}
        testID="complaint-photo"
      />
    </>
  );
}

/** What was found of it, what was done, and at whose cost. */
function Dealt({ complaint }: { complaint: Complaint }) {
  const { job, edit } = useJob();
  const { currency } = pricesOf(job);
  const seesPrices = useMay('prices');
  const set = (field: keyof Complaint, value: unknown): string | null =>
    edit(put('Write about a complaint', without(complaint, field, value === '' ? undefined : value)));
  return (
    <>
      <Rain complaint={complaint} />
      <Fields of={complaint.id}>
        <View style={{ gap: SPACE.m }}>
          <DayField
            label="Seen on"
            value={complaint.on}
            onCommit={(on) => (on === undefined ? 'Say on which day.' : set('on', on))}
          />
          <NameField
            label="What was found"
            value={complaint.found ?? ''}
            optional
            most={2000}
            lines={2}
            onCommit={(found) => set('found', found)}
          />
          <NameField
            label="What was done"
            value={complaint.done ?? ''}
            optional
            most={2000}
            lines={2}
            onCommit={(done) => set('done', done)}
          />
          {seesPrices && (
            <QuantityField
              label="What it cost"
              value={complaint.cost}
              {...moneyEntry(leastUnits(currency), 1)}
              optional
              usual="nothing yet"
              onCommit={(cost) => set('cost', cost === undefined ? undefined : Math.round(cost))}
            />
          )}
        </View>
      </Fields>
      {seesPrices && (
        <Choice
          label="At whose cost"
          value={complaint.pays ?? null}
          options={WHO_PAYS.map((value) => ({ value, label: PAYS_LABELS[value] }))}
          onChoose={(pays) => set('pays', pays)}
        />
      )}
    </>
  );
}

/** Rain of that day, by the weather office that ships with the program. */
function Rain({ complaint }: { complaint: Complaint }) {
  const { edit } = useJob();
  const [said, setSaid] = useState<string | null>(null);
  const ask = async (): Promise<void> => {
    try {
      const days = await offices.rainOn(complaint.on);
      if (days === null) return setSaid('The office knows nothing of that day.');
      setSaid(
        edit(
          put('Ask what it rained', { ...complaint, rain: { depth: days / 1000, from: 'weather office, a stand-in' } }),
        ),
      );
    } catch (error) {
      setSaid(whyNot(error, 'The office did not answer.'));
    }
  };
  if (complaint.rain) return null;
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <Button label="Ask how much it rained that day" onPress={() => void ask()} testID="ask-rain" />
      {said !== null && <Text tone="soft">{said}</Text>}
    </View>
  );
}

/** Closed by a visit of that day or after, which saw it put right. */
function Closing({ complaint }: { complaint: Complaint }) {
  const { job, edit } = useJob();
  const after = visitsOf(job).filter(({ at, said }) => said !== undefined && at.slice(0, 10) >= complaint.on);
  if (complaint.closedOn !== undefined)
    return (
      <View style={{ flexDirection: 'row' }}>
        <Button
          label="Open it again"
          onPress={() =>
            void edit(
              put('Open a complaint again', without(without(complaint, 'closedOn', undefined), 'closedBy', undefined)),
            )
          }
        />
      </View>
    );
  if (after.length === 0) return <Text tone="soft">A visit closes it: test or look again once it is put right.</Text>;
  return (
    <Choice
      label="Closed by the visit"
      value={null}
      options={after.slice(0, 5).map((visit) => ({
        value: visit.id,
        label: `${visitTitle(job, visit)}, ${sayFullDay(visit.at.slice(0, 10))}`,
      }))}
      onChoose={(closedBy) => edit(put('Close a complaint', { ...complaint, closedBy, closedOn: todayOf() }))}
    />
  );
}
