/** Signing in: by name and password, by a recovery code in its place, or by a passkey. */
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { TextBox } from '../../input/TextBox';
import { api } from '../../sync/api';
import { heardMe } from '../../sync/device/ownRights';
import { peopleApi } from './peopleApi';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { SidePage } from '../jobs/SidePage';
import { hasPasskeys } from './passkeys';
import { Said } from '../../parts/Said';
import { SecretBox } from './SecretBox';
import { useAttempt } from '../../parts/useAttempt';

/** Goes on to the jobs as whoever came in. */
export function useCameIn(): () => Promise<void> {
  const router = useRouter();
  const client = useQueryClient();
  return async () => {
    heardMe(await api.me());
    void client.invalidateQueries();
    router.replace('/');
  };
}

export function SignInScreen() {
  const router = useRouter();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const { said, busy, attempt } = useAttempt();
  const cameIn = useCameIn();
  const ready = name.trim() !== '' && password !== '';
  const signIn = async (): Promise<void> => {
    if (ready && (await attempt(() => peopleApi.signIn(name, password)))) await attempt(cameIn);
  };
  const byPasskey = async (): Promise<void> => {
    if (await attempt(peopleApi.signInByPasskey)) await attempt(cameIn);
  };
  return (
    <SidePage title="Sign in">
      <View style={{ flexDirection: 'row' }}>
        <TextBox label="Your name, as you were invited" words text={name} onText={setName} testID="sign-in-name" />
      </View>
      <SecretBox
        label="Password, or a recovery code"
        kind="current-password"
        text={password}
        onText={setPassword}
        onSubmit={() => void signIn()}
        testID="sign-in-password"
      />
      <Said said={said} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Sign in" kind="main" disabled={!ready || busy} onPress={() => void signIn()} testID="sign-in" />
        {hasPasskeys() && (
          <Button label="Sign in by a passkey" disabled={busy} onPress={() => void byPasskey()} testID="by-passkey" />
        )}
        <Button label="Type the server’s code" kind="bare" onPress={() => router.navigate('/pair')} />
      </View>
      <Text tone="soft">
        Who has lost password and codes asks an owner of the company: they make a new way in under People. What was made
        on this device is kept here meanwhile.
      </Text>
    </SidePage>
  );
}
