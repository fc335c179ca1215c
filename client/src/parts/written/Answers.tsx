/** What was answered to a question, a box for another answer, and that it is done with. */
import { answersTo, freshId, put, type Note } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { TextBox } from '../../input/TextBox';
import { useNoted } from '../../input/useNoted';
import { useJob } from '../../planning/useJob';
import { ownName } from '../../sync/device/ownRights';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { sayDay, todayOf } from '../today';

const MOST = 2000;
const begunSchema = z.object({ text: z.string() });

export function Answers({ question }: { question: Note }) {
  const { job, edit } = useJob();
  const [{ text }, note] = useNoted(`katabasis.answer.${job.id} ${question.id}`, begunSchema, { text: '' });
  const [said, setSaid] = useState<string | null>(null);
  const open = question.done === undefined;
  const answer = (): void => {
    const words = text.trim();
    if (words.length > MOST) return setSaid(`At most ${MOST} letters.`);
    const fresh: Note = {
      id: freshId('note'),
      kind: 'note',
      sort: 'seen',
      of: question.id,
      text: words,
      on: todayOf(),
      by: ownName(),
    };
    const refused = edit(put('Answer a question', fresh));
    setSaid(refused);
    if (refused === null) note(() => ({ text: '' }));
  };
  return (
    <View style={{ gap: SPACE.s, paddingLeft: SPACE.m }}>
      {answersTo(job, question).map(({ id, by, on, text: words }) => (
        <View key={id}>
          <Text kind="small">{['Answer', by, sayDay(on)].filter(Boolean).join(' · ')}</Text>
          <Text>{words}</Text>
        </View>
      ))}
      {open && (
        <>
          <View style={{ flexDirection: 'row' }}>
            <TextBox
              label="Answer it"
              text={text}
              words
              lines={2}
              onText={(next) => note(() => ({ text: next }))}
              wrong={said}
              testID={`answer-${question.id}`}
            />
          </View>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            <Button label="Answer" kind="main" disabled={text.trim() === ''} onPress={answer} testID="send-answer" />
            <Button
              label="Done with"
              onPress={() => void edit(put('Be done with a question', { ...question, done: todayOf() }))}
              testID="done-with"
            />
          </View>
        </>
      )}
    </View>
  );
}
