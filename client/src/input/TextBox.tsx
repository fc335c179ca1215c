import { useEffect, useId, useRef, type Ref } from 'react';
import { TextInput, View, type TextInputProps } from 'react-native';
import { usePalette, useStyles } from '../theme/theme';
import { FONTS, TOUCH, type Palette } from '../theme/tokens';
import { Text } from '../ui/Text';

const make = (palette: Palette, scale: number) => ({
  box: {
    minHeight: TOUCH,
    borderWidth: 1.5,
    borderColor: palette.soft,
    borderRadius: 4,
    flexDirection: 'row' as const,
  },
  input: {
    flex: 1,
    minWidth: 0,
    minHeight: TOUCH,
    paddingHorizontal: 10,
    paddingVertical: 8,
    fontFamily: FONTS.figures,
    fontSize: 18 * scale,
    color: palette.ink,
    backgroundColor: palette.ground,
    borderRadius: 4,
  },
  unit: { alignSelf: 'center' as const, paddingRight: 10 },
  words: { fontFamily: FONTS.text },
  wrong: { borderColor: palette.stop, borderWidth: 2.5 },
});

export interface BoxProps {
  label: string;
  text: string;
  onText: (text: string) => void;
  /** Left, or Enter pressed. */
  onDone?: (() => void) | undefined;
  /** Enter pressed, where that does something else than going on to the next box. */
  onSubmit?: () => void;
  wrong?: string | null | undefined;
  words?: boolean;
  /** Shown in grey when empty: the usual value. */
  usual?: string | undefined;
  hint?: string | undefined;
  /** What a bare number is read as. */
  unit?: string | undefined;
  /** More than one line of text. */
  lines?: number;
  /** Least width, where several stand in a row, px. */
  least?: number;
  testID?: string | undefined;
  inputMode?: TextInputProps['inputMode'];
  autoFocus?: boolean;
  ref?: Ref<TextInput>;
}

const BARE_NUMBER = /^\s*[-−+]?[\d\s.,/¼½¾⅛⅜⅝⅞]*\d[\d\s.,/¼½¾⅛⅜⅝⅞]*$|^\s*[-−+]?[¼½¾⅛⅜⅝⅞]\s*$/;

/** Goes on to the next box of the same sheet or page. */
function goOn(from: Element): void {
  const around = from.closest('[data-testid=sheet]') ?? document.body;
  const boxes = [...around.querySelectorAll<HTMLElement>('input:not([disabled]), textarea')];
  const next = boxes[boxes.indexOf(from as HTMLElement) + 1];
  if (next) next.focus();
  else (from as HTMLElement).blur();
}

/** Has all that stands in a box taken when it is come to, so that typing replaces it, until something is typed or it is left. */
function useTakenWhole(text: string): { selecting: object; leaveOff: () => void } {
  // All of it is taken at once, so that typing replaces it: not a moment later, when the first key may be there already.
  const fresh = useRef(false);
  /** The box while all of it is taken and nothing has been typed. */
  const whole = useRef<HTMLInputElement | null>(null);
  const leaveOff = (): void => {
    fresh.current = false;
    whole.current = null;
  };
  const selecting = {
    onFocus: ({ target }: { target: HTMLInputElement }) => {
      fresh.current = true;
      whole.current = target;
      target.select?.();
    },
    // The tap that brought it here would set the caret where it fell.
    onMouseUp: ({ target }: { target: HTMLInputElement }) => {
      if (fresh.current) target.select?.();
      else whole.current = null;
      fresh.current = false;
    },
    onKeyPress: leaveOff,
  };
  // Another value came from elsewhere: what is typed next replaces that one too, and is not put behind it.
  useEffect(() => whole.current?.select?.(), [text]);
  return { selecting, leaveOff };
}

/** A labelled box for typing, with what is wrong said beneath it. Keeps whatever was typed. */
export function TextBox({
  label,
  text,
  onText,
  onDone,
  onSubmit,
  wrong,
  usual,
  hint,
  unit,
  words = false,
  lines = 1,
  least = 140,
  testID,
  inputMode,
  autoFocus,
  ref,
}: BoxProps) {
  const styles = useStyles(make);
  const palette = usePalette();
  const id = useId();
  const { selecting, leaveOff } = useTakenWhole(text);
  const typed = (next: string): void => {
    leaveOff();
    onText(next);
  };
  const left = (): void => {
    leaveOff();
    onDone?.();
  };
  const oneLine = {
    ...selecting,
    enterKeyHint: onSubmit ? ('search' as const) : ('next' as const),
    submitBehavior: 'submit' as const,
    onSubmitEditing: ({ target }: { target: unknown }) => {
      if (onSubmit) return onSubmit();
      onDone?.();
      goOn(target as Element);
    },
  };
  return (
    <View style={{ flex: 1, minWidth: least }}>
      <Text kind="small" nativeID={`${id}-label`}>
        {label}
      </Text>
      <View style={[styles.box, wrong ? styles.wrong : null]}>
        <TextInput
          ref={ref}
          value={text}
          onChangeText={typed}
          onBlur={left}
          {...(lines === 1 ? oneLine : {})}
          placeholder={usual}
          testID={testID}
          inputMode={inputMode}
          autoFocus={autoFocus}
          aria-label={label}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          placeholderTextColor={palette.faint}
          autoCapitalize={words ? 'sentences' : 'none'}
          autoCorrect={false}
          multiline={lines > 1}
          numberOfLines={lines}
          style={[styles.input, words && styles.words]}
        />
        {unit !== undefined && BARE_NUMBER.test(text) && (
          <Text kind="small" style={styles.unit} aria-hidden>
            {unit}
          </Text>
        )}
      </View>
      <Beneath id={id} wrong={wrong} hint={hint} />
    </View>
  );
}

/** What is wrong with what was typed, or how it is meant. */
function Beneath({ id, wrong, hint }: { id: string } & Pick<BoxProps, 'wrong' | 'hint'>) {
  if (wrong)
    return (
      <Text kind="small" tone="stop" nativeID={`${id}-wrong`} role="alert">
        {wrong}
      </Text>
    );
  return hint ? <Text kind="small">{hint}</Text> : null;
}
