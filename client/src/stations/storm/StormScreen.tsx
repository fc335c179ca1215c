/** Will it hold, and what when it does not: every layer of defence in every rain and failure. */
import { drowningWords, firstWords, rainOf, type Layers } from '@katabasis/core';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { ElementSheet } from '../../elements/ElementSheet';
import { findLayers } from '../../planning/planner';
import { useJob } from '../../planning/useJob';
import { useWorked } from '../../planning/useWorked';
import { useWide } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import type { Asked } from './asked';
import { CaseList } from './CaseList';
import { CellWorking } from './CellWorking';
import { LayerTable } from './LayerTable';
import { LevelCurve } from './rain/LevelCurve';
import { StormOverTime } from './rain/StormOverTime';

export function StormScreen() {
  const { job, plan } = useJob();
  const wide = useWide();
  const go = useGo();
  const at = useAt();
  const found = useWorked<Layers>([job], async (signal, give) => give(await findLayers(job, signal)));
  const [last, setLast] = useState<Layers | null>(null);
  if (found && found !== last) setLast(found);
  // While another is worked out the last one stands: nothing jumps under the eye.
  const layers = found ?? last;
  const [asked, setAsked] = useState<Asked | null>(null);
  if (at !== null)
    return (
      <ElementSheet
        id={at}
        onClose={() => go('storm', null)}
        onGo={(id) => go('storm', id)}
        above={<LevelCurve id={at} />}
      />
    );
  return (
    <ScrollView
      contentContainerStyle={{ padding: SPACE.l, gap: SPACE.l, maxWidth: wide ? 1600 : 700, width: '100%' }}
      testID="storm"
    >
      {rainOf(job) && layers !== null && layers.layers.length > 0 && (
        <>
          <Text kind="title">Rain on this yard</Text>
          <StormOverTime onGo={(id) => go('storm', id)} />
        </>
      )}
      <Text kind="title">What gives way first</Text>
      {!rainOf(job) ? (
        <View style={{ gap: SPACE.m, alignItems: 'flex-start' }}>
          <Text>Choose a rain first: without one nothing can be tried.</Text>
          <Button label="Choose the rain" kind="main" onPress={() => go('storm', 'rain')} />
        </View>
      ) : layers === null ? (
        <Text role="status">Trying the rains.</Text>
      ) : layers.layers.length === 0 ? (
        <Text>Nothing takes water yet. Put in a downspout, a basin or a swale, and its layers stand here.</Text>
      ) : (
        <>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }} aria-live="polite">
            <Mark kind={markOf(layers)} size={28} />
            <View style={{ flex: 1 }}>
              <Text kind="heading">{firstWords(job, layers)}</Text>
            </View>
          </View>
          {plan.verdict.state === 'stop' && (
            <Text>
              The plan has a Stop of its own. Put that right first: here the lines are tried as they are drawn.
            </Text>
          )}
          {layers.drowning.map((each) => (
            <Text key={each.outlet}>{drowningWords(job, each)}</Text>
          ))}
          {wide ? (
            <LayerTable layers={layers} asked={asked} onAsk={setAsked} />
          ) : (
            <CaseList layers={layers} asked={asked} onAsk={setAsked} />
          )}
          {wide && asked && (
            <CellWorking layers={layers} asked={asked} onGo={(id) => go('storm', id)} onBack={() => setAsked(null)} />
          )}
        </>
      )}
    </ScrollView>
  );
}

/** The design rain must be carried; what gives way beyond it is to be known. */
function markOf({ first }: Layers): 'holds' | 'fix' | 'mind' {
  if (!first) return 'holds';
  return first.case === 'ordinary' || first.case === 'design' ? 'fix' : 'mind';
}
