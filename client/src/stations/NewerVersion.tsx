/** Says that a newer version is here, and takes it when told to: never by itself, in the middle of something. */
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { database, HELD_BY_EARLIER } from '../sync/device/deviceStore';
import { keepApplication } from '../sync/newerVersion';
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
  const [held, setHeld] = useState(false);
  useEffect(() => keepApplication((newer) => setTake(() => newer)), []);
  useEffect(() => {
    const hear = (): void => setHeld(true);
    window.addEventListener(HELD_BY_EARLIER, hear);
    // Free again: the page goes on by itself, and what it asked for is there.
    void database().then(
      () => setHeld(false),
      () => undefined,
    );
    return () => window.removeEventListener(HELD_BY_EARLIER, hear);
  }, []);
  if (held) {
    return (
      <View style={styles.strip} role="alert">
        <Text>
          An earlier version of Katabasis is open on another page of this device. Close that page, and this one goes on.
        </Text>
      </View>
    );
  }
  if (!take) return null;
  return (
    <View style={styles.strip} role="status">
      <Text>A newer version of Katabasis is here.</Text>
      <Button label="Use it now" onPress={take} testID="newer-version" />
      <Button label="Later" kind="bare" onPress={() => setTake(null)} />
    </View>
  );
}
