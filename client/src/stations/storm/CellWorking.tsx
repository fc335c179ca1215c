/** What stands behind a cell: each thing of the layer, what came to it, and where that went. */
import { caseWords, cellWords, LAYER_LABELS, partWords, type Layers } from '@katabasis/core';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
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
  layers: Layers;
  asked: Asked;
  onGo: (id: string) => void;
  onBack: () => void;
}

export function CellWorking({ layers, asked, onGo, onBack }: Props) {
  const { job } = useJob();
  const styles = useStyles(make);
  const layer = layers.layers.find(({ id }) => id === asked.layer);
  const cell = layer?.cells[layers.cases.indexOf(asked.case)];
  if (!cell) return null;
  const { label, note } = caseWords(job, asked.case, layers.blocked);
  return (
    <View style={styles.panel} role="region" aria-label="How it comes about">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', justifyContent: 'space-between' }}>
        <Text kind="heading">{LAYER_LABELS[asked.layer]}</Text>
        <Button label="Back" icon={ArrowLeft} kind="bare" onPress={onBack} />
      </View>
      <Text>
        {label}, {note}: {cellWords(job, cell)}.
      </Text>
      {cell.parts.length === 0 && <Text>Nothing of this layer meets water here.</Text>}
      {cell.parts.map((part) => (
        <Press key={part.id} role="link" onPress={() => onGo(part.id)} style={styles.part}>
          <Text>{partWords(job, part)}</Text>
        </Press>
      ))}
    </View>
  );
}
