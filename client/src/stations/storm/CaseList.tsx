/** The same on a phone: case by case, what gives way said at once, the rest a tap away. */
import type { CaseId, CellSaid, GivesWaySaid, LayerId } from '@katabasis/core/simulation';
import { useState } from 'react';
import { View } from 'react-native';
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

const FAILING: readonly CellSaid['state'][] = ['passes', 'wet', 'close', 'stands'];
const WORST: readonly MarkKind[] = ['stop', 'fix', 'mind', 'holds', 'empty'];

interface Props {
  found: GivesWaySaid;
  asked: Asked | null;
  onAsk: (asked: Asked | null) => void;
}

interface CellOf {
  id: LayerId;
  label: string;
  cell: CellSaid;
}

/** What of a case is worth a word while it is shut. */
function Gist({ cells }: { cells: readonly CellOf[] }) {
  if (cells.length === 0) return <Text>Not tried yet.</Text>;
  const failing = cells.filter(({ cell }) => FAILING.includes(cell.state));
  if (failing.length === 0) return <Text>Every layer takes all.</Text>;
  return failing.map(({ id, label, cell }) => (
    <Text key={id}>
      {label}: {cell.words}
    </Text>
  ));
}

export function CaseList({ found, asked, onAsk }: Props) {
  const styles = useStyles(make);
  const go = useGo();
  const [opened, setOpened] = useState<CaseId | null>(null);
  return (
    <View>
      {found.cases.map(({ id, label, note }, k) => {
        const cells = found.layers.flatMap((layer) => {
          const cell = layer.cells[k];
          return cell ? [{ id: layer.id, label: layer.label, cell }] : [];
        });
        const isTried = cells.length > 0;
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
              <Mark kind={isTried ? (WORST.find((kind) => marks.includes(kind)) ?? 'holds') : 'empty'} size={26} />
              <View style={{ flex: 1 }}>
                <Text kind="strong">
                  {label} <Text kind="small">{note}</Text>
                </Text>
                {!open && <Gist cells={cells} />}
              </View>
            </Press>
            {open &&
              cells.map(({ id: layer, label: called, cell }) => {
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
                          {called}: {cell.words}
                        </Text>
                      </View>
                    </Press>
                    {told && (
                      <View style={{ paddingLeft: SPACE.xl, paddingBottom: SPACE.m }}>
                        <CellWorking
                          found={found}
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
