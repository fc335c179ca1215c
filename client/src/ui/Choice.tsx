import { memo, useCallback, useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { useStyles } from '../theme/theme';
import { FLAT, TOUCH, type Palette } from '../theme/tokens';
import { chip, chosenChip } from './chip';
import { Press } from './Press';
import { Text } from './Text';

const make = (palette: Palette) => ({
  // Beside other fields its chips wrap, rather than push the sheet sideways.
  whole: { maxWidth: '100%' as const },
  row: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: 8 },
  chip: { ...chip(palette), minWidth: TOUCH },
  strip: { flexDirection: 'row' as const, gap: 8 },
  inStrip: { maxWidth: 168 },
  inside: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: 6, maxWidth: '100%' as const, ...FLAT },
  words: { flexShrink: 1, ...FLAT },
  compact: { paddingHorizontal: 8 },
  on: chosenChip(palette),
});

export interface Option<T extends string> {
  value: T;
  label: string;
  /** A figure to compare it by, and what choosing it would give. */
  figure?: string;
  /** The same, said in full to who cannot see what stands around it. */
  figureSaid?: string;
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
  /** Gives a sentence where it could not be taken. */
  onChoose: (value: T) => unknown;
  hideLabel?: boolean;
  /** On one line that is moved sideways, however many there are. */
  strip?: boolean;
}

const RADIO = '[role=radio]';

/** Arrow keys go from chip to chip. */
function onKeys(event: KeyboardEvent<HTMLElement>): void {
  const chips = [...event.currentTarget.querySelectorAll<HTMLElement>(RADIO)];
  const at = chips.indexOf(event.target as HTMLElement);
  if (at < 0) return;
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
  if (by === undefined) return;
  chips[(at + by + chips.length) % chips.length]!.focus();
  event.preventDefault();
  event.stopPropagation();
}

/** How long a tapped chip stands as the chosen one before what is drawn around it has come to say so, ms. */
const AHEAD_MS = 2000;

/** What is chosen, and how a chip is taken for chosen as soon as it is tapped: what follows from that may be drawn later. */
function useTaken<T>(value: T | null): [T | null, (taken: T | null) => void] {
  const [taken, setTaken] = useState<T | null>(null);
  const [last, setLast] = useState(value);
  if (last !== value) {
    setLast(value);
    setTaken(null);
  }
  useEffect(() => {
    if (taken === null) return;
    const timer = setTimeout(() => setTaken(null), AHEAD_MS);
    return () => clearTimeout(timer);
  }, [taken]);
  return [taken ?? value, setTaken];
}

/** One of several, as chips; each may show what it would give. */
export function Choice<T extends string>({ label, hideLabel = false, ...chips }: Props<T>) {
  const styles = useStyles(make);
  return (
    <View style={styles.whole}>
      {!hideLabel && (
        <Text kind="small" style={{ marginBottom: 4 }}>
          {label}
        </Text>
      )}
      {chips.strip ? (
        <ScrollView horizontal testID="strip" keyboardShouldPersistTaps="handled">
          <Chips label={label} {...chips} />
        </ScrollView>
      ) : (
        <Chips label={label} {...chips} />
      )}
    </View>
  );
}

/** The chips by themselves: a tap draws no more than those two that it changes. */
function Chips<T extends string>({ label, value, options, onChoose, strip = false }: Omit<Props<T>, 'hideLabel'>) {
  const styles = useStyles(make);
  const group = useRef<HTMLElement | null>(null);
  // The chosen one is in sight when a strip is first seen.
  useEffect(() => {
    const chosen = strip ? group.current?.querySelector<HTMLElement>(`${RADIO}[aria-checked=true]`) : null;
    const scroller = chosen?.closest<HTMLElement>('[data-testid=strip]');
    if (chosen && scroller) scroller.scrollLeft = chosen.offsetLeft - (scroller.clientWidth - chosen.offsetWidth) / 2;
  }, [strip]);
  const [on, setTaken] = useTaken(value);
  const choose = useCallback(
    (wanted: T) => setTaken(typeof onChoose(wanted) === 'string' ? null : wanted),
    [onChoose, setTaken],
  );
  const stop = options.some((option) => option.value === on) ? on : options[0]?.value;
  return (
    <View
      ref={group as never}
      role="radiogroup"
      aria-label={label}
      style={strip ? styles.strip : styles.row}
      {...({ onKeyDown: onKeys } as object)}
    >
      {options.map((option) => (
        <Chip
          key={option.value}
          option={option}
          on={option.value === on}
          stop={option.value === stop}
          strip={strip}
          onChoose={choose}
        />
      ))}
    </View>
  );
}

interface ChipProps<T extends string> {
  option: Option<T>;
  on: boolean;
  /** The Tab key stops here: at one chip of a group. */
  stop: boolean;
  strip: boolean;
  onChoose: (value: T) => void;
}

const Chip = memo(function Chip<T extends string>({ option, on, stop, strip, onChoose }: ChipProps<T>) {
  const styles = useStyles(make);
  const gives = [option.figureSaid ?? option.figure, option.note].filter(Boolean).join(', ');
  return (
    <Press
      role="radio"
      aria-checked={on}
      aria-label={gives ? `${option.label}: ${gives}` : option.label}
      tabIndex={stop ? 0 : -1}
      onPress={() => onChoose(option.value)}
      style={[styles.chip, strip && styles.inStrip, on && styles.on, option.picture !== undefined && styles.compact]}
    >
      <View style={styles.inside}>
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
    </Press>
  );
}) as <T extends string>(props: ChipProps<T>) => ReactNode;
