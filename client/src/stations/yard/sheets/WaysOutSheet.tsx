/** Ways out compared: what each would give, and what speaks against it. */
import {
  freshId,
  isLanding,
  nameOf,
  newRun,
  ofKind,
  runAlong,
  wayOutWords,
  waysOutWords,
  type Place,
} from '@katabasis/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { useYard } from '../../../planning/useYard';
import { useStyles } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Mark } from '../../../ui/Mark';
import { Press } from '../../../ui/Press';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import { NEW } from '../tools/tool';

const make = (palette: Palette) => ({
  way: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.xs, minHeight: 56 },
  head: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.s },
});

interface Props {
  onClose: () => void;
  onGo: (id: string) => void;
  onRoute: (way: readonly Place[] | null) => void;
}

export function WaysOutSheet({ onClose, onGo, onRoute }: Props) {
  const { job, edit } = useJob();
  const styles = useStyles(make);
  const { answer: found = null, behind } = useYard(job, 'waysOut', null);
  const [shown, setShown] = useState<string | null>(null);
  const route = found?.ways.find(({ id }) => id === (shown ?? found.ways[0]?.id))?.route ?? null;
  const key = route ? JSON.stringify(route) : '';
  useEffect(() => {
    onRoute(key === '' ? null : (JSON.parse(key) as Place[]));
    return () => onRoute(null);
  }, [key, onRoute]);
  const from = found === null ? undefined : job.elements.get(found.from);
  const led = from !== undefined && ofKind(job, 'run').some((run) => run.from === from.id);
  return (
    <Sheet title="Ways out" onClose={onClose}>
      {found === null && behind ? (
        <Text tone="soft">Comparing the ways out.</Text>
      ) : found === null ? (
        <Text>Put down where the water is first: a downspout, a basin or a wet spot.</Text>
      ) : (
        <>
          <Text kind="heading">{waysOutWords(job, found.ways)}</Text>
          <Text kind="small">From {nameOf(job, found.from)}, the lowest start, round the buildings.</Text>
          {found.ways.map((way, k) => {
            const { fall, against } = wayOutWords(job, way);
            return (
              <View key={way.id} style={styles.way}>
                <Press
                  role="button"
                  aria-label={`${nameOf(job, way.id)}: ${fall}`}
                  onPress={() => setShown(way.id)}
                  style={{ gap: SPACE.xs, minHeight: 44 }}
                >
                  <View style={styles.head}>
                    <Mark
                      kind={Math.max(way.spare, way.spareLarge) < 0 ? 'stop' : against.length > 0 ? 'mind' : 'holds'}
                    />
                    <Text kind="strong">
                      {k + 1}. {nameOf(job, way.id)}
                    </Text>
                  </View>
                  <Text>{fall}</Text>
                  {against.length > 0 && <Text kind="small">{against.join('; ')}</Text>}
                </Press>
                {from && isLanding(from) && !led && Math.max(way.spare, way.spareLarge) >= 0 && (
                  <View style={{ flexDirection: 'row' }}>
                    <Button
                      label="Lead a line there"
                      onPress={() => {
                        const run = runAlong(newRun(job, freshId('run'), from.id, way.id, way.length), way.route);
                        if (edit({ label: 'Lead a line to a way out', puts: [run], removes: [] }) === null)
                          onGo(run.id);
                      }}
                    />
                  </View>
                )}
              </View>
            );
          })}
        </>
      )}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Put down a way out" onPress={() => onGo(`${NEW}Way out`)} />
      </View>
    </Sheet>
  );
}
