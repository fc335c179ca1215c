/** Layers by cases, on a wide screen: a table that is read in ten seconds. */
import type { GivesWaySaid } from '@katabasis/core/simulation';
import { View } from 'react-native';
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
  found: GivesWaySaid;
  asked: Asked | null;
  onAsk: (asked: Asked | null) => void;
}

export function LayerTable({ found, asked, onAsk }: Props) {
  const styles = useStyles(make);
  return (
    <View role="table" aria-label="What gives way first">
      <View style={styles.head} role="row">
        <View style={styles.first} role="columnheader" />
        {found.cases.map(({ id, label, note }) => (
          <View key={id} style={styles.cell} role="columnheader">
            <View style={styles.words}>
              <Text kind="strong">{label}</Text>
              <Text kind="small">{note}</Text>
            </View>
          </View>
        ))}
      </View>
      {found.layers.map(({ id, label, cells }) => (
        <View key={id} style={styles.row} role="row">
          <View style={styles.first} role="rowheader">
            <Text kind="strong">{label}</Text>
          </View>
          {found.cases.map((each, k) => {
            const cell = cells[k];
            const open = asked?.layer === id && asked.case === each.id;
            return (
              <View key={each.id} role="cell" style={{ flex: 1, minWidth: 0 }}>
                {cell ? (
                  <Press
                    role="button"
                    aria-expanded={open}
                    aria-label={`${label}, ${each.label}: ${cell.words}`}
                    onPress={() => onAsk(open ? null : { layer: id, case: each.id })}
                    style={[styles.cell, open && styles.on]}
                  >
                    <CellMark cell={cell} />
                    <View style={styles.words}>
                      <Text kind={cell.state === 'dry' ? 'small' : 'body'}>{cell.words}</Text>
                    </View>
                  </Press>
                ) : (
                  <View style={styles.cell}>
                    <Text kind="small">not tried yet</Text>
                  </View>
                )}
              </View>
            );
          })}
        </View>
      ))}
    </View>
  );
}
