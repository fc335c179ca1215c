/** What the customer accepted on their page, with their signature, and what they asked there. */
import { SIGNED, type Accepted } from '@katabasis/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { acceptedKey, offices } from '../../files/offices';
import { TextBox } from '../../input/TextBox';
import { sayFullDay } from '../../parts/today';
import { useAttempt } from '../../parts/useAttempt';
import { useJob } from '../../planning/useJob';
import { usePalette } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';

/** A signature is as wide as a thumb's two joints, px. */
const WIDE = 180;

export function AcceptedOffers() {
  const { job } = useJob();
  const { data } = useQuery({
    queryKey: acceptedKey(job.id),
    queryFn: () => offices.accepted(job.id),
    staleTime: 0,
    refetchInterval: 15_000,
  });
  if (!data || data.accepted.length + data.comments.length === 0) return null;
  return (
    <View style={{ gap: SPACE.m }} testID="accepted">
      {data.accepted.map((each) => (
        <OneAccepted key={each.number} accepted={each} />
      ))}
      {data.comments.map((each) => (
        <Question key={each.number} comment={each} />
      ))}
    </View>
  );
}

function OneAccepted({ accepted }: { accepted: Accepted['accepted'][number] }) {
  const { ink } = usePalette();
  const [open, setOpen] = useState(false);
  const { name, on, price, chosen, stands, offered, sha256, signature } = accepted;
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' }}>
      <Mark kind={stands ? 'holds' : 'fix'} />
      <View style={{ flex: 1, gap: SPACE.xs }}>
        <Text kind="strong">
          {name} accepted {price}
          {chosen === null ? '' : `, ${chosen}`} on {sayFullDay(on)}
        </Text>
        {!stands && (
          <Text>
            The offer was changed since: what is other is a change order, and holds once it is accepted on the page too.
          </Text>
        )}
        <Svg
          width={WIDE}
          height={(WIDE * SIGNED.height) / SIGNED.width}
          viewBox={`0 0 ${SIGNED.width} ${SIGNED.height}`}
          aria-label={`Signature of ${name}`}
        >
          <Path d={signature} stroke={ink} strokeWidth={6} strokeLinecap="round" fill="none" />
        </Svg>
        <View style={{ flexDirection: 'row' }}>
          <Button
            label={open ? 'Close what was accepted' : 'What was accepted'}
            kind="bare"
            onPress={() => setOpen(!open)}
          />
        </View>
        {open && (
          <>
            <Text selectable>{offered}</Text>
            <Text kind="small" selectable>
              SHA-256 {sha256}
            </Text>
          </>
        )}
      </View>
    </View>
  );
}

function Question({ comment }: { comment: Accepted['comments'][number] }) {
  const { job } = useJob();
  const client = useQueryClient();
  const [text, setText] = useState('');
  const { said, attempt } = useAttempt();
  const answer = async (): Promise<void> => {
    if (!(await attempt(() => offices.answer(job.id, comment.number, text.trim())))) return;
    setText('');
    await client.invalidateQueries({ queryKey: acceptedKey(job.id) });
  };
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text kind="strong">
        {comment.name} asks, {sayFullDay(comment.at)}
      </Text>
      <Text>{comment.said}</Text>
      {comment.answer === null ? (
        <>
          <View style={{ flexDirection: 'row' }}>
            <TextBox
              label="Answer, as it stands on their page"
              words
              lines={2}
              text={text}
              onText={setText}
              wrong={said}
              testID="answer"
            />
          </View>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Answer" disabled={text.trim() === ''} onPress={() => void answer()} testID="send-answer" />
          </View>
        </>
      ) : (
        <Text tone="soft">Answered: {comment.answer}</Text>
      )}
    </View>
  );
}
