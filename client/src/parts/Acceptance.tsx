/** That a snag is accepted, why and since when; or the way to say so. What is to be mended is only because the customer wants it otherwise and was warned. */
import { acceptSnag, takeBackAcceptance, type Snag } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { NameField } from '../input/Field';
import { useJob } from '../planning/useJob';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';
import { sayDay, todayOf } from './today';

const row = { flexDirection: 'row' } as const;

const AS_IT_IS = {
  button: 'Accept it',
  said: 'Accepted',
  label: 'Why it may stay as it is',
  hint: 'As: the customer was told, and wants it so',
  wrong: 'Say why it may stay as it is.',
};
const OTHERWISE = {
  button: 'The customer wants it so',
  said: 'The customer wants it so. Warned',
  label: 'What the customer was warned of',
  hint: 'It stands here and in the offer, with today’s day',
  wrong: 'Say what the customer was warned of.',
};

export function Acceptance({ snag }: { snag: Snag }) {
  const { job, edit } = useJob();
  const [asks, setAsks] = useState(false);
  const words = snag.severity === 'fix' ? OTHERWISE : AS_IT_IS;
  if (snag.accepted)
    return (
      <>
        <Text>
          {words.said} {sayDay(snag.accepted.on)}: {snag.accepted.reason}
        </Text>
        <View style={row}>
          <Button label="Take it back" kind="bare" onPress={() => edit(takeBackAcceptance(job, snag))} />
        </View>
      </>
    );
  if (!asks)
    return (
      <View style={row}>
        <Button label={words.button} kind="bare" onPress={() => setAsks(true)} testID={`accept-${snag.code}`} />
      </View>
    );
  const accept = (reason: string): string | null =>
    reason === '' ? words.wrong : edit(acceptSnag(job, snag, reason, todayOf()));
  return (
    <NameField
      label={words.label}
      hint={words.hint}
      value=""
      optional
      most={500}
      autoFocus
      onCommit={accept}
      testID={`why-${snag.code}`}
    />
  );
}
