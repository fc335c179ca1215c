/** What stands behind a cell: each thing of the layer, what came to it, and where that went. */
import type { GivesWaySaid } from '@katabasis/core/simulation';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { View } from 'react-native';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import type { Asked } from './asked';

const make = (palette: Palette) => ({
  panel: { gap: SPACE.s, borderLeftWidth: 4, borderLeftColor: palette.ink, paddingLeft: SPACE.m },
  part: { minHeight: TOUCH, justifyContent: 'center' as const },
});

interface Props {
  found: GivesWaySaid;
  asked: Asked;
  onGo: (id: string) => void;
  onBack: () => void;
}

export function CellWorking({ found, asked, onGo, onBack }: Props) {
  const styles = useStyles(make);
  const layer = found.layers.find(({ id }) => id === asked.layer);
  const at = found.cases.findIndex(({ id }) => id === asked.case);
  const [cell, of] = [layer?.cells[at], found.cases[at]];
  if (!layer || !cell || !of) return null;
  return (
    <View style={styles.panel} role="region" aria-label="How it comes about">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', justifyContent: 'space-between' }}>
        <Text kind="heading">{layer.label}</Text>
        <Button label="Back" icon={ArrowLeft} kind="bare" onPress={onBack} />
      </View>
      <Text>
        {of.label}, {of.note}: {cell.words}.
      </Text>
      {cell.parts.length === 0 && <Text>Nothing of this layer meets water here.</Text>}
      {cell.parts.map((part) => (
        <Press key={part.id} role="link" onPress={() => onGo(part.id)} style={styles.part}>
          <Text>{part.words}</Text>
        </Press>
      ))}
    </View>
  );
}
