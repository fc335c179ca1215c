/** A device asks to be let in: the code on the server's own screen, typed or come by a scanned address. */
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { PlainHttp } from './PlainHttp';
import { deviceName, nameDevice } from '../../sync/device';
import { TextBox } from '../../input/TextBox';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { SidePage } from './SidePage';

/** Behind the # of a scanned address: the part that a browser never sends anywhere by itself. */
const scanned = (): string => decodeURIComponent(window.location.hash.slice(1));

export function PairScreen() {
  const router = useRouter();
  const client = useQueryClient();
  const [code, setCode] = useState(scanned);
  const [name, setName] = useState(deviceName);
  const [wrong, setWrong] = useState<string | null>(null);
  const pair = async (): Promise<void> => {
    setWrong(null);
    try {
      await api.pair(code, name.trim());
    } catch (error) {
      return setWrong((error as Error).message);
    }
    nameDevice(name.trim());
    void client.invalidateQueries();
    router.replace('/');
  };
  const missing = code.trim() === '' ? 'Type the code.' : name.trim() === '' ? 'Give this device a name.' : null;
  return (
    <SidePage title="Let this device in">
      <Text>The code is on the screen of the machine that Katabasis runs on: eight digits.</Text>
      <TextBox
        label="Pairing code"
        text={code}
        onText={setCode}
        usual="1234 5678"
        inputMode="numeric"
        wrong={wrong}
        testID="pair-code"
      />
      <TextBox label="What to call this device" words text={name} onText={setName} testID="pair-name" />
      {missing !== null && <Text tone="soft">{missing}</Text>}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Let it in" kind="main" disabled={missing !== null} onPress={() => void pair()} testID="pair" />
      </View>
      <PlainHttp />
    </SidePage>
  );
}
