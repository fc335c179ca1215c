/** A line of the list of Keep, which opens a page. */
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { View } from 'react-native';
import { usePalette, useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Mark, type MarkKind } from '../../ui/Mark';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';

const make = (palette: Palette) => ({
  row: {
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: SPACE.m,
    minHeight: TOUCH + 8,
    paddingVertical: SPACE.xs,
    paddingHorizontal: SPACE.s,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    borderLeftWidth: 4,
    borderLeftColor: 'transparent',
  },
  here: { borderLeftColor: palette.ink, backgroundColor: palette.bank },
});

/** Words stand under one another, with a mark before them or without. */
const NO_MARK = { width: 20 } as const;

interface RowProps {
  mark?: MarkKind;
  title: string;
  about?: string;
  here?: boolean;
  onPress: () => void;
  testID?: string;
}

export function KeepRow({ mark, title, about, here = false, onPress, testID }: RowProps) {
  const styles = useStyles(make);
  const { soft } = usePalette();
  return (
    <Press
      role="button"
      onPress={onPress}
      style={[styles.row, here && styles.here]}
      aria-label={about === undefined ? title : `${title}: ${about}`}
      {...(testID === undefined ? {} : { testID })}
    >
      {mark === undefined ? <View style={NO_MARK} /> : <Mark kind={mark} />}
      <View style={{ flex: 1 }}>
        <Text kind={here ? 'strong' : 'body'}>{title}</Text>
        {about !== undefined && <Text kind="small">{about}</Text>}
      </View>
      <ChevronRight size={20} color={soft} />
    </Press>
  );
}
