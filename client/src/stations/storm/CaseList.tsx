/** The same on a phone: case by case, what gives way said at once, the rest a tap away. */
import { caseWords, cellWords, LAYER_LABELS, type CaseId, type Layers } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Mark, type MarkKind } from '../../ui/Mark';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { CellMark, markOfCell } from './cellMark';
import { CellWorking } from './CellWorking';
import type { Asked } from './asked';
import { useGo } from '../useGo';

const make = (palette: Palette) => ({
  case: { borderTopWidth: 1, borderTopColor: palette.line },
  head: {
    flexDirection: 'row' as const,
    gap: SPACE.m,
    alignItems: 'center' as const,
    minHeight: TOUCH + 16,
    paddingVertical: SPACE.s,
  },
  layer: {
    flexDirection: 'row' as const,
    gap: SPACE.m,
    alignItems: 'center' as const,
    minHeight: TOUCH,
    paddingVertical: SPACE.xs,
    paddingLeft: SPACE.xl,
  },
});

const WORST: readonly MarkKind[] = ['stop', 'fix', 'mind', 'holds', 'empty'];

interface Props {
  layers: Layers;
  asked: Asked | null;
  onAsk: (asked: Asked | null) => void;
}

export function CaseList({ layers, asked, onAsk }: Props) {
  const { job } = useJob();
  const styles = useStyles(make);
  const go = useGo();
  const [opened, setOpened] = useState<CaseId | null>(null);
  return (
    <View>
      {layers.cases.map((id, k) => {
        const { label, note } = caseWords(job, id, layers.blocked);
        const cells = layers.layers.map((layer) => ({ id: layer.id, cell: layer.cells[k]! }));
        const failing = cells.filter(({ cell }) => ['passes', 'wet', 'close'].includes(cell.state));
        const marks = cells.map(({ cell }) => markOfCell(cell));
        const open = opened === id;
        return (
          <View key={id} style={styles.case}>
            <Press
              role="button"
              aria-expanded={open}
              onPress={() => {
                setOpened(open ? null : id);
                onAsk(null);
              }}
              style={styles.head}
              testID={`case-${id}`}
            >
              <Mark kind={WORST.find((kind) => marks.includes(kind)) ?? 'holds'} size={26} />
              <View style={{ flex: 1 }}>
                <Text kind="strong">
                  {label} <Text kind="small">{note}</Text>
                </Text>
                {open ? null : failing.length === 0 ? (
                  <Text>Every layer takes all.</Text>
                ) : (
                  failing.map(({ id: layer, cell }) => (
                    <Text key={layer}>
                      {LAYER_LABELS[layer]}: {cellWords(job, cell)}
                    </Text>
                  ))
                )}
              </View>
            </Press>
            {open &&
              cells.map(({ id: layer, cell }) => {
                const told = asked?.layer === layer && asked.case === id;
                return (
                  <View key={layer}>
                    <Press
                      role="button"
                      aria-expanded={told}
                      onPress={() => onAsk(told ? null : { layer, case: id })}
                      style={styles.layer}
                    >
                      <CellMark cell={cell} />
                      <View style={{ flex: 1 }}>
                        <Text>
                          {LAYER_LABELS[layer]}: {cellWords(job, cell)}
                        </Text>
                      </View>
                    </Press>
                    {told && (
                      <View style={{ paddingLeft: SPACE.xl, paddingBottom: SPACE.m }}>
                        <CellWorking
                          layers={layers}
                          asked={{ layer, case: id }}
                          onGo={(to) => go('storm', to)}
                          onBack={() => onAsk(null)}
                        />
                      </View>
                    )}
                  </View>
                );
              })}
          </View>
        );
      })}
    </View>
  );
}
