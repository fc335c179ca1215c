/** Says that a newer version is here, and takes it when told to: never by itself, in the middle of something. */
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { keepApplication } from '../data/newerVersion';
import { useStyles } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

const make = (palette: Palette) => ({
  strip: {
    backgroundColor: palette.bank,
    borderBottomWidth: 1,
    borderBottomColor: palette.line,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.xs,
    gap: SPACE.m,
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    alignItems: 'center' as const,
  },
});

export function NewerVersion() {
  const styles = useStyles(make);
  const [take, setTake] = useState<(() => void) | null>(null);
  useEffect(() => keepApplication((newer) => setTake(() => newer)), []);
  if (!take) return null;
  return (
    <View style={styles.strip} role="status">
      <Text>A newer version of Katabasis is here.</Text>
      <Button label="Use it now" onPress={take} testID="newer-version" />
      <Button label="Later" kind="bare" onPress={() => setTake(null)} />
    </View>
  );
}
