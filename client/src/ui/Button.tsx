import type { LucideIcon } from 'lucide-react-native';
import { memo } from 'react';
import { usePalette, useStyles } from '../theme/theme';
import { TOUCH, type Palette } from '../theme/tokens';
import { Press } from './Press';
import { Text } from './Text';

const make = (palette: Palette) => ({
  base: {
    minHeight: TOUCH,
    minWidth: TOUCH,
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    gap: 8,
    paddingHorizontal: 14,
    paddingVertical: 6,
    maxWidth: '100%' as const,
    borderRadius: 4,
  },
  main: { backgroundColor: palette.ink },
  line: { borderWidth: 1.5, borderColor: palette.ink },
  bare: { paddingHorizontal: 8 },
  off: { opacity: 0.4 },
});

interface Props {
  label: string;
  onPress: () => void;
  icon?: LucideIcon;
  kind?: 'main' | 'line' | 'bare';
  /** Shows the icon alone; the label is still said to a screen reader. */
  iconOnly?: boolean;
  disabled?: boolean;
  /** Drawn and said as one that is not ready yet; a press is taken all the same, for when it is. */
  pale?: boolean;
  testID?: string;
}

/** Drawn once: a picture costs as much as all the rest of a button. */
const Drawn = memo(function Drawn({ icon: Icon, colour }: { icon: LucideIcon; colour: string }) {
  return <Icon size={20} color={colour} strokeWidth={2} />;
});

export function Button({
  label,
  onPress,
  icon,
  kind = 'line',
  iconOnly = false,
  disabled = false,
  pale = false,
  testID,
}: Props) {
  const styles = useStyles(make);
  const palette = usePalette();
  const colour = kind === 'main' ? palette.ground : palette.ink;
  return (
    <Press
      role="button"
      aria-label={label}
      aria-busy={pale}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      style={[styles.base, styles[kind], (disabled || pale) && styles.off]}
    >
      {icon && <Drawn icon={icon} colour={colour} />}
      {!iconOnly && (
        <Text kind="strong" style={{ color: colour, flexShrink: 1 }}>
          {label}
        </Text>
      )}
    </Press>
  );
}
