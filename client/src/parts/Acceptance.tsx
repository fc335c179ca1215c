/** That a snag to mind is accepted, why and since when; or the way to say so. */
import { acceptSnag, takeBackAcceptance, type Snag } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { NameField } from '../input/Field';
import { useJob } from '../planning/useJob';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';
import { sayDay, todayOf } from './today';

const row = { flexDirection: 'row' } as const;

export function Acceptance({ snag }: { snag: Snag }) {
  const { job, edit } = useJob();
  const [asks, setAsks] = useState(false);
  if (snag.accepted)
    return (
      <>
        <Text>
          Accepted {sayDay(snag.accepted.on)}: {snag.accepted.reason}
        </Text>
        <View style={row}>
          <Button label="Take it back" kind="bare" onPress={() => edit(takeBackAcceptance(job, snag))} />
        </View>
      </>
    );
  if (!asks)
    return (
      <View style={row}>
        <Button label="Accept it" kind="bare" onPress={() => setAsks(true)} testID={`accept-${snag.code}`} />
      </View>
    );
  const accept = (reason: string): string | null =>
    reason === '' ? 'Say why it may stay as it is.' : edit(acceptSnag(job, snag, reason, todayOf()));
  return (
    <NameField
      label="Why it may stay as it is"
      hint="As: the customer was told, and wants it so"
      value=""
      optional
      most={500}
      autoFocus
      onCommit={accept}
      testID={`why-${snag.code}`}
    />
  );
}
