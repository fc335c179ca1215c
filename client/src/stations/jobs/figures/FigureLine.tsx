/** One own figure: what it is of, how sure it is, and the figure itself. */
import { View } from 'react-native';
import { useStyles } from '../../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';

const make = (palette: Palette) => ({
  line: {
    borderTopWidth: 1,
    borderTopColor: palette.line,
    minHeight: TOUCH,
    paddingVertical: SPACE.xs,
    flexDirection: 'row' as const,
    gap: SPACE.m,
    alignItems: 'center' as const,
  },
});

export function FigureLine({ label, value, about }: { label: string; value: string; about: string }) {
  const styles = useStyles(make);
  return (
    <View style={styles.line}>
      <View style={{ flex: 1 }}>
        <Text>{label}</Text>
        <Text kind="small">{about}</Text>
      </View>
      <Text kind="figure">{value}</Text>
    </View>
  );
}
