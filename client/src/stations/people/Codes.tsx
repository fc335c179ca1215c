/** Recovery codes, shown this once. */
import { View } from 'react-native';
import { saveFile } from '../../files/files';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';

export function Codes({ codes }: { codes: readonly string[] }) {
  const save = (): void =>
    void saveFile(
      'recovery-codes.txt',
      `Katabasis: each code lets you in once, in place of your password.\n\n${codes.join('\n')}\n`,
    );
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">Recovery codes</Text>
      <Text>
        For the day on which the password is forgotten and the phone lies in a trench. Each lets you in once, in place
        of your password. They are shown this once: write them down.
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }} testID="codes">
        {codes.map((code) => (
          <Text key={code} kind="figure" selectable>
            {code}
          </Text>
        ))}
      </View>
      <View style={{ flexDirection: 'row' }}>
        <Button label="Save them as a file" onPress={save} />
      </View>
    </View>
  );
}
