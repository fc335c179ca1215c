/** The one thing to press, for a thumb that is wet and an eye that is elsewhere. */
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';

const make = (palette: Palette) => ({
  big: {
    minHeight: 96,
    borderRadius: 6,
    backgroundColor: palette.ink,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    padding: SPACE.m,
  },
  words: { color: palette.ground },
});

export function BigButton({ label, onPress, testID }: { label: string; onPress: () => void; testID: string }) {
  const styles = useStyles(make);
  return (
    <Press role="button" onPress={onPress} style={styles.big} testID={testID}>
      <Text kind="title" role="none" style={styles.words}>
        {label}
      </Text>
    </Press>
  );
}
