/** An invitation, taken up: who it is for, a password, and the codes for the day it is lost. */
import { LEAST_PASSWORD, ROLE_SAYS, ROLE_WORDS, type Invited } from '@katabasis/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { peopleApi } from './peopleApi';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SidePage } from '../jobs/SidePage';
import { OutOfReach } from '../OutOfReach';
import { Refused } from '../../sync/ask';
import { Codes } from './Codes';
import { Said } from '../../parts/Said';
import { SecretBox } from './SecretBox';
import { useCameIn } from './SignInScreen';
import { useAttempt } from '../../parts/useAttempt';

/** Behind the # of the link: the part that a browser never sends anywhere by itself. */
const tokenHere = (): string => decodeURIComponent(window.location.hash.slice(1));

export function JoinScreen() {
  const [token] = useState(tokenHere);
  const invited = useQuery({ queryKey: ['invited', token], queryFn: () => peopleApi.invited(token) });
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  if (codes !== null) return <Joined codes={codes} />;
  return (
    <SidePage title="You are invited">
      {invited.isPending && <Notice title="Reading the invitation" />}
      {invited.isError &&
        (invited.error instanceof Refused ? (
          <Notice title="This link lets nobody in">{invited.error.message}</Notice>
        ) : (
          <OutOfReach
            error={invited.error}
            rest="The invitation is read once the server is in reach."
            onRetry={() => void invited.refetch()}
          />
        ))}
      {invited.data && <Take token={token} invited={invited.data} onJoined={setCodes} />}
    </SidePage>
  );
}

interface TakeProps {
  token: string;
  invited: Invited;
  onJoined: (codes: readonly string[]) => void;
}

function Take({ token, invited: { name, role, until, again }, onJoined }: TakeProps) {
  const [password, setPassword] = useState('');
  const { said, busy, attempt } = useAttempt();
  const short = password.length < LEAST_PASSWORD;
  const join = (): void =>
    void attempt(async () => {
      if (!short) onJoined(await peopleApi.join(token, password));
    });
  return (
    <>
      <View>
        <Text kind="title">{name}</Text>
        <Text kind="strong">{ROLE_WORDS[role]}</Text>
        <Text>{ROLE_SAYS[role]}</Text>
        <Text kind="small">Good until {momentOf(until)}, once.</Text>
      </View>
      <SecretBox
        label={again ? 'A new password' : 'A password'}
        kind="new-password"
        text={password}
        onText={setPassword}
        onSubmit={join}
        hint={`${LEAST_PASSWORD} letters or more. Four words that nobody would put together are good, and easy to keep in mind.`}
        testID="join-password"
      />
      <Said said={said} />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Come in" kind="main" disabled={short || busy} onPress={join} testID="join" />
      </View>
    </>
  );
}

function Joined({ codes }: { codes: readonly string[] }) {
  const cameIn = useCameIn();
  const { said, attempt } = useAttempt();
  return (
    <SidePage title="You are in">
      <Codes codes={codes} />
      <Said said={said} />
      <View style={{ flexDirection: 'row' }}>
        <Button label="I have them; go to the jobs" kind="main" onPress={() => void attempt(cameIn)} testID="joined" />
      </View>
    </SidePage>
  );
}
