/** Who is signed in here: what they may, their password, codes and passkeys, and the way out. */
import { LEAST_PASSWORD, ROLE_SAYS, ROLE_WORDS, type Me } from '@katabasis/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { useWaiting } from '../../sync/queries';
import { peopleApi } from './peopleApi';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SidePage, SideRow } from '../jobs/SidePage';
import { OutOfReach } from '../OutOfReach';
import { Codes } from './Codes';
import { hasPasskeys } from './passkeys';
import { Said } from '../../parts/Said';
import { saveKept } from './saveKept';
import { SecretBox } from './SecretBox';
import { useAttempt } from '../../parts/useAttempt';

export const ME_KEY = ['me'] as const;

export function YouScreen() {
  const me = useQuery({ queryKey: ME_KEY, queryFn: api.me, staleTime: 0 });
  const router = useRouter();
  return (
    <SidePage title="You" back={{ label: 'Devices', to: '/devices' }}>
      {me.isPending && <Notice title="Reading" />}
      {me.isError && (
        <OutOfReach error={me.error} rest="This page needs the server." onRetry={() => void me.refetch()} />
      )}
      {me.data?.person === null && (
        <Notice
          title="Nobody is signed in on this device"
          action={<Button label="Sign in" onPress={() => router.navigate('/sign-in')} />}
        >
          {me.data.local
            ? 'It is the server’s own machine, and everything can be done here.'
            : 'It was let in by the code on the server’s screen, as the office’s own.'}
        </Notice>
      )}
      {me.data?.person && <Signed me={me.data} />}
    </SidePage>
  );
}

function Signed({ me }: { me: Me }) {
  const client = useQueryClient();
  const { name, role } = me.person!;
  const again = (): void => void client.invalidateQueries({ queryKey: ME_KEY });
  return (
    <>
      <View>
        <Text kind="title">{name}</Text>
        <Text kind="strong">{ROLE_WORDS[role]}</Text>
        <Text>{ROLE_SAYS[role]}</Text>
      </View>
      <Passkeys me={me} onChange={again} />
      <Password />
      <RecoveryCodes left={me.codes} onChange={again} />
      <SignOut />
    </>
  );
}

function Passkeys({ me, onChange }: { me: Me; onChange: () => void }) {
  const { said, busy, attempt } = useAttempt();
  const done = async (work: () => Promise<void>): Promise<void> => {
    if (await attempt(work)) onChange();
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">Passkeys</Text>
      <Text>
        {hasPasskeys()
          ? 'This phone or computer keeps a key, and lets you in by a finger or your face: nothing to remember, and nothing to be guessed.'
          : 'A passkey wants https and a name: here the browser keeps none.'}
      </Text>
      <View role="list">
        {me.passkeys.map(({ id, madeAt, usedAt }) => (
          <SideRow
            key={id}
            name={`Made ${momentOf(madeAt)}`}
            about={usedAt === null ? 'Not used yet' : `Used last ${momentOf(usedAt)}`}
          >
            <Button label="Take it out" onPress={() => void done(() => peopleApi.dropPasskey(id))} />
          </SideRow>
        ))}
      </View>
      <Said said={said} />
      {hasPasskeys() && (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label="Make a passkey here"
            disabled={busy}
            onPress={() => void done(peopleApi.makePasskey)}
            testID="make-passkey"
          />
        </View>
      )}
    </View>
  );
}

function Password() {
  const [old, setOld] = useState('');
  const [next, setNext] = useState('');
  const [is, setIs] = useState(false);
  const { said, busy, attempt } = useAttempt();
  const change = async (): Promise<void> => {
    if (!(await attempt(() => peopleApi.setPassword(old, next)))) return;
    setOld('');
    setNext('');
    setIs(true);
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">Password</Text>
      <SecretBox label="So far" kind="current-password" text={old} onText={setOld} testID="old-password" />
      <SecretBox
        label="From now on"
        kind="new-password"
        text={next}
        onText={setNext}
        hint={`${LEAST_PASSWORD} letters or more.`}
        testID="new-password"
      />
      <Said said={said} />
      {is && <Text role="status">It is changed.</Text>}
      <View style={{ flexDirection: 'row' }}>
        <Button
          label="Change it"
          disabled={busy || old === '' || next.length < LEAST_PASSWORD}
          onPress={() => void change()}
          testID="change-password"
        />
      </View>
    </View>
  );
}

function RecoveryCodes({ left, onChange }: { left: number; onChange: () => void }) {
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const { said, attempt } = useAttempt();
  const renew = async (): Promise<void> => {
    if (await attempt(async () => setCodes(await peopleApi.newCodes()))) onChange();
  };
  if (codes !== null) return <Codes codes={codes} />;
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">Recovery codes</Text>
      <Text>{left === 1 ? 'One is left.' : `${left} are left.`} New ones take the place of all before.</Text>
      <Said said={said} />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Make new codes" onPress={() => void renew()} testID="new-codes" />
      </View>
    </View>
  );
}

function SignOut() {
  const router = useRouter();
  const client = useQueryClient();
  const { said, attempt } = useAttempt();
  const waiting = [...useWaiting().values()].reduce((sum, count) => sum + count, 0);
  const [sure, setSure] = useState(false);
  const go = async (): Promise<void> => {
    if (!(await attempt(peopleApi.signOut))) return;
    void client.invalidateQueries();
    router.replace('/sign-in');
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Said said={said} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          label={sure ? 'Sign out all the same' : 'Sign out on this device'}
          onPress={() => (waiting > 0 && !sure ? setSure(true) : void go())}
          testID="sign-out"
        />
        <Button
          label="Save what is kept of you"
          onPress={() => void attempt(() => saveKept(null))}
          testID="save-kept"
        />
      </View>
      {sure && (
        <Text tone="stop" role="alert">
          {waiting === 1 ? 'One change waits' : `${waiting} changes wait`} on this device. Once you are signed out{' '}
          {waiting === 1 ? 'it goes' : 'they go'} out under the name of whoever signs in next: stay until the server has
          been in reach.
        </Text>
      )}
      <Text kind="small">
        Jobs that were opened here stay on this device. What waits to be sent is sent when somebody signs in.
      </Text>
    </View>
  );
}
