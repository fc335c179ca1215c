/** Which devices may work on these jobs: this one's name, how another is let in, and who is. */
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import Bell from 'lucide-react-native/icons/bell';
import User from 'lucide-react-native/icons/user';
import Users from 'lucide-react-native/icons/users';
import { useState } from 'react';
import { View } from 'react-native';
import { SvgXml } from 'react-native-svg';
import { api } from '../../sync/api';
import { deviceName, nameDevice } from '../../sync/device';
import { useDevices } from '../../sync/records';
import { NameField } from '../../input/Field';
import { PlainHttp } from './PlainHttp';
import { Said } from '../../parts/Said';
import { useAttempt } from '../../parts/useAttempt';
import { UnsentFiles } from '../../parts/UnsentFiles';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { momentOf } from './moments';
import { OutOfReach } from '../OutOfReach';
import { SidePage, SideRow } from './SidePage';

const QR_SIZE = 180;

export function DevicesScreen() {
  const router = useRouter();
  const devices = useDevices();
  const client = useQueryClient();
  const [name, setName] = useState(deviceName);
  const { said, attempt } = useAttempt();
  const call = (next: string): void => {
    nameDevice(next);
    setName(next);
  };
  const withdraw = async (id: string): Promise<void> => {
    await attempt(() => api.withdraw(id));
    void client.invalidateQueries({ queryKey: ['devices'] });
  };
  const { data } = devices;
  return (
    <SidePage title="Devices">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="You" icon={User} onPress={() => router.navigate('/you')} testID="you" />
        <Button label="People" icon={Users} onPress={() => router.navigate('/people')} testID="people" />
        <Button label="News" icon={Bell} onPress={() => router.navigate('/news')} />
      </View>
      <NameField label="This device is called" most={60} value={name} onCommit={call} testID="device-name" />
      <PlainHttp />
      <UnsentFiles />
      <Said said={said} />
      {devices.isPending && <Notice title="Reading" />}
      {devices.isError && (
        <OutOfReach error={devices.error} rest="This page needs the server." onRetry={() => void devices.refetch()} />
      )}
      {data?.pairing && (
        <View style={{ gap: SPACE.m }}>
          <Text kind="heading">Let a phone in</Text>
          <Text>On a phone of the same network scan this, or open the address and type the code.</Text>
          <Text kind="hero" testID="pairing-code">
            {data.pairing.code}
          </Text>
          {data.pairing.addresses.map(({ url, qr }) => (
            <View key={url} style={{ gap: SPACE.s }}>
              <View
                style={{ width: QR_SIZE, height: QR_SIZE, backgroundColor: '#ffffff' }}
                aria-label={`Code for ${url}`}
                role="img"
              >
                <SvgXml xml={qr} width={QR_SIZE} height={QR_SIZE} />
              </View>
              <Text selectable>{url}</Text>
            </View>
          ))}
        </View>
      )}
      {data && !data.pairing && data.devices.length === 0 && (
        <Notice title="Only this machine reaches the server">
          Start it with “npm start -- --lan” and phones on the same network can be let in here.
        </Notice>
      )}
      {data && data.devices.length > 0 && (
        <View role="list">
          {data.devices.map((each) => (
            <SideRow
              key={each.id}
              name={each.own ? `${each.name} (this one)` : each.name}
              about={`Let in ${momentOf(each.pairedAt)} · last here ${momentOf(each.seenAt)}`}
            >
              <Button label={`Shut out ${each.name}`} onPress={() => void withdraw(each.id)} />
            </SideRow>
          ))}
        </View>
      )}
    </SidePage>
  );
}
