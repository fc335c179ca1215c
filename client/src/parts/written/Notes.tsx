/** What is written down about a thing or the whole job: the last first, and a box for more. */
import {
  defined,
  isFixed,
  freshId,
  leastUnits,
  money,
  NOTE_LABELS,
  NOTE_SORTS,
  notesOn,
  pricesOf,
  put,
  type Note,
  type NoteSort,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { moneyEntry } from '../../input/moneyEntry';
import { TextBox } from '../../input/TextBox';
import { useNoted } from '../../input/useNoted';
import { without } from '../../input/without';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { sayDay, todayOf } from '../today';

const make = (palette: Palette) => ({
  note: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.xs },
});

const MOST = 2000;
const TAKEN_BACK = { textDecorationLine: 'line-through' } as const;
const begunSchema = z.object({ text: z.string(), sort: z.enum(NOTE_SORTS) });
const NOT_BEGUN: z.infer<typeof begunSchema> = { text: '', sort: 'seen' };

/** `of`: what they are about; null for the whole job. */
export function Notes({ of }: { of: string | null }) {
  const { job, edit } = useJob();
  const [{ text, sort }, note] = useNoted(`katabasis.note.${job.id} ${of ?? 'job'}`, begunSchema, NOT_BEGUN);
  const [said, setSaid] = useState<string | null>(null);
  const notes = notesOn(job, of);
  const keep = (): void => {
    const words = text.trim();
    if (words === '') return;
    if (words.length > MOST) return setSaid(`At most ${MOST} letters.`);
    const fresh = defined({
      id: freshId('note'),
      kind: 'note' as const,
      sort,
      of: of ?? undefined,
      text: words,
      on: todayOf(),
    }) as Note;
    const refused = edit(put('Write a note', fresh));
    setSaid(refused);
    if (refused === null) note(() => NOT_BEGUN);
  };
  return (
    <View style={{ gap: SPACE.s }} testID="notes">
      <Text kind="heading">Notes</Text>
      {notes.map((each) => (
        <Written key={each.id} note={each} />
      ))}
      <TextBox
        label={of === null ? 'Write down about the job' : 'Write down about it'}
        text={text}
        words
        lines={2}
        onText={(next) => note((now) => ({ ...now, text: next }))}
        wrong={said}
        testID="note-text"
      />
      {text.trim() !== '' && (
        <>
          <Choice
            label="It is"
            value={sort}
            options={NOTE_SORTS.map((value) => ({ value, label: NOTE_LABELS[value] }))}
            onChoose={(next: NoteSort) => note((now) => ({ ...now, sort: next }))}
          />
          <View style={{ flexDirection: 'row' }}>
            <Button label="Keep this note" kind="main" onPress={keep} testID="keep-note" />
          </View>
        </>
      )}
    </View>
  );
}

function Written({ note }: { note: Note }) {
  const styles = useStyles(make);
  const { job, edit } = useJob();
  const { currency } = pricesOf(job);
  const seesPrices = useMay('prices');
  const { sort, text, on, amount, back } = note;
  return (
    <View style={styles.note}>
      <Text kind="small">
        {NOTE_LABELS[sort]} · {sayDay(on)}
        {amount === undefined || back !== undefined ? '' : ` · ${money(amount, currency)} in the price`}
        {back === undefined ? '' : ` · Taken back ${sayDay(back)}`}
      </Text>
      <Text style={back === undefined ? undefined : TAKEN_BACK}>{text}</Text>
      {seesPrices && sort === 'extra' && back === undefined && !(amount !== undefined && isFixed(note, todayOf())) && (
        <Fields of={null}>
          <QuantityField
            label="Charged for it"
            value={amount}
            {...moneyEntry(leastUnits(currency), 1)}
            optional
            usual="nothing"
            onCommit={(next) =>
              edit(put('Price an extra', without(note, 'amount', next === undefined ? next : Math.round(next))))
            }
            testID="note-amount"
          />
        </Fields>
      )}
      {back === undefined && <TakeOut note={note} />}
    </View>
  );
}

/** What was agreed or said stays as it was written from the next day on: it can be taken back, and stands there as taken back. */
function TakeOut({ note }: { note: Note }) {
  const { edit } = useJob();
  const today = todayOf();
  const stays = isFixed(note, today);
  return (
    <View style={{ flexDirection: 'row' }}>
      {stays ? (
        <Button
          label="Take it back"
          kind="bare"
          onPress={() => void edit(put('Take back what was said', { ...note, back: today }))}
          testID="take-back"
        />
      ) : (
        <Button
          label="Take this note out"
          kind="bare"
          onPress={() => void edit({ label: 'Take a note out', puts: [], removes: [note.id] })}
        />
      )}
    </View>
  );
}
