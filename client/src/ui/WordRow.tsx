/** A row of a list to choose from: a word, and small ones about it. */
import { useStyles } from '../theme/theme';
import { SPACE, TOUCH, type Palette } from '../theme/tokens';
import { Press } from './Press';
import { Text } from './Text';

const make = (palette: Palette) => ({
  row: {
    minHeight: TOUCH + 12,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    justifyContent: 'center' as const,
    paddingVertical: SPACE.s,
  },
});

interface Props {
  word: string;
  about: string | undefined;
  /** What is read out for it; the word and what is said about it when left out. */
  label?: string;
  onPress: () => void;
  testID?: string;
}

export function WordRow({ word, about, label = `${word}: ${about}`, onPress, testID }: Props) {
  const styles = useStyles(make);
  return (
    <Press role="button" aria-label={label} onPress={onPress} style={styles.row} testID={testID}>
      <Text kind="strong">{word}</Text>
      <Text kind="small">{about}</Text>
    </Press>
  );
}
