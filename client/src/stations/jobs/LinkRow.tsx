/** A line of a list that leads somewhere: what it is, two lines about it, and whether it is marked. */
import { View } from 'react-native';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';

const make = (palette: Palette) => ({
  row: {
    minHeight: TOUCH + 8,
    justifyContent: 'center' as const,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    borderLeftWidth: 4,
    borderLeftColor: 'transparent',
    paddingVertical: SPACE.s,
    paddingHorizontal: SPACE.s,
  },
  marked: { borderLeftColor: palette.ink, backgroundColor: palette.bank },
});

interface Props {
  name: string;
  about?: string;
  small: string;
  marked: boolean;
  onPress: () => void;
}

export function LinkRow({ name, about, small, marked, onPress }: Props) {
  const styles = useStyles(make);
  return (
    <View role="listitem">
      <Press
        role="link"
        aria-label={[name, about, small].filter(Boolean).join(', ')}
        onPress={onPress}
        style={[styles.row, marked && styles.marked]}
      >
        <Text kind="strong" role="none">
          {name}
        </Text>
        {about !== undefined && <Text>{about}</Text>}
        <Text kind="small">{small}</Text>
      </Press>
    </View>
  );
}
