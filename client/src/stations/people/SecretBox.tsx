/** A box for what only its writer knows: hidden as it is typed, shown by a tap. */
import { useId, useState } from 'react';
import { TextInput, View } from 'react-native';
import { usePalette, useStyles } from '../../theme/theme';
import { FONTS, SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';

const make = (palette: Palette, scale: number) => ({
  row: { flexDirection: 'row' as const, gap: SPACE.s, alignItems: 'center' as const },
  box: {
    flex: 1,
    minWidth: 0,
    minHeight: TOUCH,
    paddingHorizontal: 10,
    paddingVertical: 8,
    borderWidth: 1.5,
    borderColor: palette.soft,
    borderRadius: 4,
    fontFamily: FONTS.text,
    fontSize: 18 * scale,
    color: palette.ink,
    backgroundColor: palette.ground,
  },
  wrong: { borderColor: palette.stop, borderWidth: 2.5 },
});

interface Props {
  label: string;
  text: string;
  onText: (text: string) => void;
  onSubmit?: () => void;
  /** Whether it is one that is kept already, or a new one: what the browser offers to fill in. */
  kind: 'current-password' | 'new-password';
  wrong?: string | null;
  hint?: string;
  testID?: string;
}

export function SecretBox({ label, text, onText, onSubmit, kind, wrong, hint, testID }: Props) {
  const styles = useStyles(make);
  const palette = usePalette();
  const id = useId();
  const [shown, setShown] = useState(false);
  return (
    <View>
      <Text kind="small">{label}</Text>
      <View style={styles.row}>
        <TextInput
          value={text}
          onChangeText={onText}
          secureTextEntry={!shown}
          autoComplete={kind}
          autoCapitalize="none"
          autoCorrect={false}
          aria-label={label}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={`${id}-about`}
          placeholderTextColor={palette.faint}
          onSubmitEditing={onSubmit}
          style={[styles.box, wrong ? styles.wrong : null]}
          testID={testID}
        />
        <Button label={shown ? 'Hide' : 'Show'} kind="bare" onPress={() => setShown(!shown)} />
      </View>
      <Text kind="small" nativeID={`${id}-about`} {...(wrong ? { tone: 'stop', role: 'alert' } : {})}>
        {wrong || hint}
      </Text>
    </View>
  );
}
