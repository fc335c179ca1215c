/** Layers by cases, on a wide screen: a table that is read in ten seconds. */
import { caseWords, cellWords, LAYER_LABELS, type Layers } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { CellMark } from './cellMark';
import type { Asked } from './asked';

const make = (palette: Palette) => ({
  row: { flexDirection: 'row' as const, borderTopWidth: 1, borderTopColor: palette.line },
  head: { flexDirection: 'row' as const },
  first: { width: 150, padding: SPACE.s, justifyContent: 'center' as const },
  cell: {
    flex: 1,
    minWidth: 0,
    minHeight: TOUCH + 12,
    padding: SPACE.s,
    flexDirection: 'row' as const,
    gap: SPACE.s,
    alignItems: 'center' as const,
  },
  on: { backgroundColor: palette.bank },
  words: { flex: 1, minWidth: 0 },
});

interface Props {
  layers: Layers;
  asked: Asked | null;
  onAsk: (asked: Asked | null) => void;
}

export function LayerTable({ layers, asked, onAsk }: Props) {
  const { job } = useJob();
  const styles = useStyles(make);
  return (
    <View role="table" aria-label="What gives way first">
      <View style={styles.head} role="row">
        <View style={styles.first} role="columnheader" />
        {layers.cases.map((id) => {
          const { label, note } = caseWords(job, id, layers.blocked);
          return (
            <View key={id} style={styles.cell} role="columnheader">
              <View style={styles.words}>
                <Text kind="strong">{label}</Text>
                <Text kind="small">{note}</Text>
              </View>
            </View>
          );
        })}
      </View>
      {layers.layers.map(({ id, cells }) => (
        <View key={id} style={styles.row} role="row">
          <View style={styles.first} role="rowheader">
            <Text kind="strong">{LAYER_LABELS[id]}</Text>
          </View>
          {cells.map((cell, k) => {
            const each = layers.cases[k]!;
            const open = asked?.layer === id && asked.case === each;
            return (
              <View key={each} role="cell" style={{ flex: 1, minWidth: 0 }}>
                <Press
                  role="button"
                  aria-expanded={open}
                  aria-label={`${LAYER_LABELS[id]}, ${caseWords(job, each, layers.blocked).label}: ${cellWords(job, cell)}`}
                  onPress={() => onAsk(open ? null : { layer: id, case: each })}
                  style={[styles.cell, open && styles.on]}
                >
                  <CellMark cell={cell} />
                  <View style={styles.words}>
                    <Text kind={cell.state === 'dry' ? 'small' : 'body'}>{cellWords(job, cell)}</Text>
                  </View>
                </Press>
              </View>
            );
          })}
        </View>
      ))}
    </View>
  );
}
