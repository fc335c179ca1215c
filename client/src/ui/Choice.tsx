import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useStyles } from '../theme/theme';
import { TOUCH, type Palette } from '../theme/tokens';
import { Text } from './Text';

const make = (palette: Palette) => ({
  row: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: 8 },
  chip: {
    minHeight: TOUCH,
    minWidth: TOUCH,
    paddingHorizontal: 12,
    paddingVertical: 6,
    borderWidth: 1.5,
    borderColor: palette.line,
    borderRadius: 4,
    justifyContent: 'center' as const,
  },
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
  /** What choosing it would give. */
  note?: string;
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
    <View>
      {!hideLabel && (
        <Text kind="small" style={{ marginBottom: 4 }}>
          {label}
        </Text>
      )}
      <View role="radiogroup" aria-label={label} style={styles.row}>
        {options.map((option) => {
          const on = option.value === value;
          const said = option.note ? `${option.label}: ${option.note}` : option.label;
          return (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={on}
              aria-label={said}
              onPress={() => onChoose(option.value)}
              style={[styles.chip, on && styles.on, option.picture !== undefined && styles.compact]}
            >
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
                {option.picture}
                <View>
                  <Text kind={on ? 'strong' : 'body'}>{option.label}</Text>
                  {option.note !== undefined && (
                    <Text kind="small" {...(option.tone ? { tone: option.tone } : {})}>
                      {option.note}
                    </Text>
                  )}
                </View>
              </View>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
