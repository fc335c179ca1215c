import type { Parsed } from '@katabasis/core';
import { useId, useRef, useState } from 'react';
import { TextInput, View, type TextInputProps } from 'react-native';
import { usePalette, useStyles } from '../theme/theme';
import { FONTS, TOUCH, type Palette } from '../theme/tokens';
import { Text } from '../ui/Text';

const make = (palette: Palette) => ({
  input: {
    minHeight: TOUCH,
    borderWidth: 1.5,
    borderColor: palette.soft,
    borderRadius: 4,
    paddingHorizontal: 10,
    paddingVertical: 8,
    fontFamily: FONTS.figures,
    fontSize: 18,
    color: palette.ink,
    backgroundColor: palette.ground,
  },
  words: { fontFamily: FONTS.text },
  wrong: { borderColor: palette.stop, borderWidth: 2.5 },
});

interface Shared {
  label: string;
  /** Shown in grey when empty: the usual value. */
  usual?: string;
  hint?: string;
  testID?: string;
  inputMode?: TextInputProps['inputMode'];
  autoFocus?: boolean;
}

interface BareProps extends Shared {
  text: string;
  onText: (text: string) => void;
  onDone?: () => void;
  wrong?: string | null;
  words?: boolean;
  /** More than one line of text. */
  lines?: number;
  /** Least width, where several stand in a row, px. */
  least?: number;
}

/** A labelled box for typing, with what is wrong said beneath it. Keeps whatever was typed. */
export function TextBox({
  label,
  text,
  onText,
  onDone,
  wrong,
  usual,
  hint,
  words = false,
  lines = 1,
  least = 140,
  testID,
  inputMode,
  autoFocus,
}: BareProps) {
  const styles = useStyles(make);
  const palette = usePalette();
  const id = useId();
  return (
    <View style={{ flex: 1, minWidth: least }}>
      <Text kind="small" nativeID={`${id}-label`}>
        {label}
      </Text>
      <TextInput
        value={text}
        onChangeText={onText}
        onBlur={onDone}
        {...(lines === 1 ? { onSubmitEditing: onDone } : {})}
        placeholder={usual}
        testID={testID}
        inputMode={inputMode}
        autoFocus={autoFocus}
        aria-label={label}
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        placeholderTextColor={palette.faint}
        autoCapitalize="none"
        autoCorrect={false}
        selectTextOnFocus={lines === 1}
        multiline={lines > 1}
        numberOfLines={lines}
        style={[styles.input, words && styles.words, wrong ? styles.wrong : null]}
      />
      {wrong ? (
        <Text kind="small" tone="stop" nativeID={`${id}-wrong`} role="alert">
          {wrong}
        </Text>
      ) : hint ? (
        <Text kind="small">{hint}</Text>
      ) : null}
    </View>
  );
}

interface QuantityProps<T> extends Shared {
  value: T | undefined;
  show: (value: T) => string;
  parse: (text: string) => Parsed<T>;
  /** What would be wrong with a value that parses; null when nothing. Returns what the job says of it. */
  onCommit: (value: T | undefined) => string | null;
  /** Whether it may be left empty. */
  optional?: boolean;
}

/** A quantity in trade units: shows the value, takes whatever a tradesman says, commits when left. */
export function QuantityField<T = number>({
  value,
  show,
  parse,
  onCommit,
  optional = false,
  ...rest
}: QuantityProps<T>) {
  const shown = value === undefined ? '' : show(value);
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  // A blur and a submit arrive together; the text they judge must be the newest.
  const latest = useRef<string | null>(null);
  const done = (): void => {
    const text = latest.current;
    if (text === null || text === shown) return settle();
    if (text.trim() === '') return optional ? commit(undefined) : setWrong('This is needed.');
    const parsed = parse(text);
    if (!parsed.ok) return setWrong(parsed.sentence);
    commit(parsed.value);
  };
  const settle = (): void => {
    latest.current = null;
    setTyped(null);
    setWrong(null);
  };
  const commit = (next: T | undefined): void => {
    const refused = onCommit(next);
    if (refused) setWrong(refused);
    else settle();
  };
  const type = (text: string): void => {
    latest.current = text;
    setTyped(text);
  };
  return <TextBox {...rest} text={typed ?? shown} onText={type} onDone={done} wrong={wrong} />;
}

interface NameProps extends Shared {
  value: string;
  onCommit: (value: string) => void;
  /** Whether it may be left empty. */
  optional?: boolean;
  /** Characters at most. */
  most?: number;
}

/** A name, or words; one that is needed says so when it is left empty, and keeps the old one. */
export function NameField({ value, onCommit, optional = false, most = 120, ...rest }: NameProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const done = (): void => {
    const text = typed?.trim();
    if (text === '' && !optional) return setWrong('Give it a name.');
    if (text !== undefined && text.length > most)
      return setWrong(`At most ${most} characters; these are ${text.length}.`);
    if (text !== undefined && text !== value) onCommit(text);
    setTyped(null);
    setWrong(null);
  };
  return <TextBox {...rest} words text={typed ?? value} onText={setTyped} onDone={done} wrong={wrong} />;
}
