import type { Shown } from '@katabasis/core';
import { View } from 'react-native';
import { useStyles } from '../theme/theme';
import { TOUCH, type Palette } from '../theme/tokens';
import { Press } from './Press';
import { Text } from './Text';

const make = (palette: Palette) => ({
  cell: { minHeight: TOUCH, minWidth: TOUCH, justifyContent: 'center' as const, paddingVertical: 4 },
  row: { flexDirection: 'row' as const, alignItems: 'baseline' as const, gap: 4 },
  asks: { borderBottomWidth: 1, borderBottomColor: palette.line, borderStyle: 'dotted' as const },
});

interface Props {
  label: string;
  shown: Shown;
  size?: 'figure' | 'hero';
  tone?: 'stop' | 'fix';
  /** Opens the working. */
  onPress?: () => void;
}

/** A number with its small unit and its name; tapping it asks for the working. */
export function Figure({ label, shown, size = 'figure', tone, onPress }: Props) {
  const styles = useStyles(make);
  const body = (
    <>
      <Text kind="small">{label}</Text>
      <View style={[styles.row, onPress && styles.asks]}>
        <Text kind={size} {...(tone ? { tone } : {})}>
          {shown.value}
        </Text>
        {shown.unit !== '' && <Text kind="unit">{shown.unit}</Text>}
      </View>
    </>
  );
  if (!onPress) return <View style={styles.cell}>{body}</View>;
  return (
    <Press
      role="button"
      aria-label={`${label} ${shown.value} ${shown.unit}: show the working`}
      onPress={onPress}
      style={styles.cell}
    >
      {body}
    </Press>
  );
}
