/** One line of what a storm came to: its words, what it is now, and its curve; tapped it shows its time and its place, and leads to its sheet. */
import { View } from 'react-native';
import { useStyles } from '../../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Press } from '../../../ui/Press';
import { Text } from '../../../ui/Text';
import { StormCurve } from './StormCurve';

const make = (palette: Palette) => ({
  row: {
    minHeight: TOUCH + 12,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: SPACE.m,
    paddingVertical: SPACE.s,
  },
});

interface Props {
  word: string;
  about: string;
  /** What it rose and fell by, picture by picture; none where nothing was followed. */
  figures: readonly number[];
  /** Picture that is shown. */
  shown: number;
  chosen: boolean;
  onChoose: () => void;
  onGo: () => void;
}

export function StormRow({ word, about, figures, shown, chosen, onChoose, onGo }: Props) {
  const styles = useStyles(make);
  return (
    <View>
      <Press role="button" aria-label={`${word}: ${about}`} aria-pressed={chosen} onPress={onChoose} style={styles.row}>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text kind="strong">{word}</Text>
          <Text kind="small">{about}</Text>
        </View>
        {figures.length > 1 && <StormCurve figures={figures} at={shown} />}
      </Press>
      {chosen && <Button label="Open its sheet" kind="bare" onPress={onGo} testID="storm-open" />}
    </View>
  );
}
