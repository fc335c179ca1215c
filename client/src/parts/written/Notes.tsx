/** What is written down about a thing or the whole job: the last first, and a box for more. */
import {
  answersTo,
  defined,
  isFixed,
  freshId,
  leastUnits,
  money,
  nameOf,
  NOTE_LABELS,
  NOTE_SORTS,
  notesOn,
  openQuestions,
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
import { ownName } from '../../sync/device/ownRights';
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
import { Answers } from './Answers';

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
  const elsewhere = of === null ? openQuestions(job).filter((question) => question.of !== undefined) : [];
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
      by: ownName(),
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
      {elsewhere.length > 0 && <Text kind="strong">Asked about things of this job, and open</Text>}
      {elsewhere.map((each) => (
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
  const { sort, of, text, on, amount, back, by, done } = note;
  const isDone = back !== undefined || done !== undefined;
  const about = of !== undefined && job.elements.get(of) ? nameOf(job, of) : null;
  return (
    <View style={styles.note}>
      <Text kind="small">
        {[NOTE_LABELS[sort], about, by, sayDay(on)].filter(Boolean).join(' · ')}
        {amount === undefined || back !== undefined ? '' : ` · ${money(amount, currency)} in the price`}
        {back === undefined ? '' : ` · Taken back ${sayDay(back)}`}
        {done === undefined ? '' : ` · Done with ${sayDay(done)}`}
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
      {sort === 'asks' && <Answers question={note} />}
      {!isDone && <TakeOut note={note} />}
    </View>
  );
}

/** What was agreed or said stays as it was written from the next day on: it can be taken back, and stands there as taken back. */
function TakeOut({ note }: { note: Note }) {
  const { job, edit } = useJob();
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
          onPress={() =>
            void edit({
              label: 'Take a note out',
              puts: [],
              removes: [note, ...answersTo(job, note)].map(({ id }) => id),
            })
          }
        />
      )}
    </View>
  );
}
