import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useStyles } from '../theme/theme';
import { TOUCH, type Palette } from '../theme/tokens';
import { Text } from './Text';

const make = (palette: Palette) => ({
  // Beside other fields its chips wrap, rather than push the sheet sideways.
  whole: { maxWidth: '100%' as const },
  row: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: 8 },
  chip: {
    minHeight: TOUCH,
    minWidth: TOUCH,
    maxWidth: '100%' as const,
    paddingHorizontal: 12,
    paddingVertical: 6,
    borderWidth: 1.5,
    borderColor: palette.line,
    borderRadius: 4,
    justifyContent: 'center' as const,
  },
  words: { flexShrink: 1 },
  compact: { paddingHorizontal: 8 },
  on: {
    borderColor: palette.ink,
    backgroundColor: palette.bank,
    borderWidth: 2.5,
    paddingHorizontal: 11,
    paddingVertical: 5,
  },
});

export interface Option<T extends string> {
  value: T;
  label: string;
  /** A figure to compare it by, and what choosing it would give. */
  figure?: string;
  note?: string;
  /** Why somebody would choose it, seen before it is chosen. */
  reason?: string;
  picture?: ReactNode;
  tone?: 'stop' | 'fix';
}

interface Props<T extends string> {
  label: string;
  value: T | null;
  options: readonly Option<T>[];
  onChoose: (value: T) => void;
  hideLabel?: boolean;
}

/** One of several, as chips; each may show what it would give. */
export function Choice<T extends string>({ label, value, options, onChoose, hideLabel = false }: Props<T>) {
  const styles = useStyles(make);
  return (
    <View style={styles.whole}>
      {!hideLabel && (
        <Text kind="small" style={{ marginBottom: 4 }}>
          {label}
        </Text>
      )}
      <View role="radiogroup" aria-label={label} style={styles.row}>
        {options.map((option) => {
          const on = option.value === value;
          const gives = [option.figure, option.note].filter(Boolean).join(', ');
          const said = gives ? `${option.label}: ${gives}` : option.label;
          return (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={on}
              aria-label={said}
              onPress={() => onChoose(option.value)}
              style={[styles.chip, on && styles.on, option.picture !== undefined && styles.compact]}
            >
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6, maxWidth: '100%' }}>
                {option.picture}
                <View style={styles.words}>
                  <Text kind={on ? 'strong' : 'body'}>{option.label}</Text>
                  {option.figure !== undefined && <Text kind="small">{option.figure}</Text>}
                  {option.note !== undefined && (
                    <Text kind="small" {...(option.tone ? { tone: option.tone } : {})}>
                      {option.note}
                    </Text>
                  )}
                  {option.reason !== undefined && <Text kind="small">{option.reason}</Text>}
                </View>
              </View>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
