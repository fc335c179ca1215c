/** A large keypad for a rod reading: one thumb, gloves half off. */
import type { Parsed, UnitSystem } from '@katabasis/core';
import Delete from 'lucide-react-native/icons/delete';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { usePalette, useStyles } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Press } from '../ui/Press';
import { Text } from '../ui/Text';

const make = (palette: Palette) => ({
  shown: {
    flex: 1,
    minHeight: 50,
    borderWidth: 2,
    borderColor: palette.ink,
    borderRadius: 4,
    paddingHorizontal: SPACE.m,
    justifyContent: 'center' as const,
  },
  taking: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.s },
  rows: { gap: SPACE.xs },
  row: { flexDirection: 'row' as const, gap: SPACE.xs },
  key: {
    flex: 1,
    minHeight: 44,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    borderRadius: 4,
    backgroundColor: palette.bank,
  },
});

/** Keys by rows: feet are read in tenths, or in inches and eighths. */
const KEYS: Record<UnitSystem, readonly (readonly string[])[]> = {
  us: [
    ['1', '2', '3', '′'],
    ['4', '5', '6', '″'],
    ['7', '8', '9', '/8'],
    ['.', '0', '-', '⌫'],
  ],
  metric: [
    ['1', '2', '3'],
    ['4', '5', '6'],
    ['7', '8', '9'],
    ['.', '0', '⌫'],
  ],
};

interface Props {
  units: UnitSystem;
  typed: string;
  onTyped: (typed: string) => void;
  read: Parsed | null;
  /** Beside what is keyed in: what takes it. */
  children: ReactNode;
}

/** One key more at the end of what is typed. */
function pressed(typed: string, key: string): string {
  if (key === '⌫') return typed.slice(0, -1);
  if (key === '-') return typed.startsWith('-') ? typed.slice(1) : `-${typed}`;
  // Eighths follow the last figure, which counts them: 4 8 3 /8 is 48 3/8.
  if (key === '/8') return /\d$/.test(typed) ? `${typed.slice(0, -1)} ${typed.slice(-1)}/8` : typed;
  if (key === '′') return `${typed}' `;
  if (key === '″') return `${typed}"`;
  return typed + key;
}

export function Keypad({ units, typed, onTyped, read, children }: Props) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={styles.taking}>
        <View
          style={styles.shown}
          role="status"
          aria-label={`Rod ${typed === '' ? 'not read yet' : typed}`}
          testID="rod"
        >
          <Text kind="hero">{typed === '' ? '–' : typed}</Text>
        </View>
        {children}
      </View>
      {read && !read.ok && typed !== '' && <Text tone="stop">{read.sentence}</Text>}
      <View style={styles.rows} role="group" aria-label="Keypad">
        {KEYS[units].map((row) => (
          <View key={row.join('')} style={styles.row}>
            {row.map((key) => (
              <Press
                key={key}
                role="button"
                aria-label={key === '⌫' ? 'Take back one key' : key === '-' ? 'Upside down' : key}
                onPress={() => onTyped(pressed(typed, key))}
                style={styles.key}
              >
                {key === '⌫' ? <Delete size={24} color={ink} /> : <Text kind="figure">{key === '-' ? '±' : key}</Text>}
              </Press>
            ))}
          </View>
        ))}
      </View>
    </View>
  );
}
