/** Will it hold, and what when it does not: rain on this yard, and what gives way first in any. */
import { rainOf } from '@katabasis/core';
import { ScrollView, View } from 'react-native';
import { ElementSheet } from '../../elements/ElementSheet';
import { useJob } from '../../planning/useJob';
import { useWide } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import { GivesWayFirst } from './GivesWayFirst';
import { LevelCurve } from './rain/LevelCurve';
import { StormOverTime } from './rain/StormOverTime';

export function StormScreen() {
  const { job, plan } = useJob();
  const wide = useWide();
  const go = useGo();
  const at = useAt();
  const onGo = (id: string): void => go('storm', id);
  if (at !== null)
    return <ElementSheet id={at} onClose={() => go('storm', null)} onGo={onGo} above={<LevelCurve id={at} />} />;
  const hasRain = rainOf(job) !== undefined;
  const takesWater = Object.keys(plan.inlets).length + Object.keys(plan.works).length > 0;
  return (
    <ScrollView
      contentContainerStyle={{ padding: SPACE.l, gap: SPACE.l, maxWidth: wide ? 1600 : 700, width: '100%' }}
      testID="storm"
    >
      {hasRain && takesWater && (
        <>
          <Text kind="title">Rain on this yard</Text>
          <StormOverTime onGo={onGo} />
        </>
      )}
      <Text kind="title">What gives way first</Text>
      {!hasRain ? (
        <View style={{ gap: SPACE.m, alignItems: 'flex-start' }}>
          <Text>Choose a rain first: without one nothing can be tried.</Text>
          <Button label="Choose the rain" kind="main" onPress={() => go('storm', 'rain')} />
        </View>
      ) : takesWater ? (
        <GivesWayFirst onGo={onGo} />
      ) : (
        <Text>Nothing takes water yet. Put in a downspout, a basin or a swale, and its layers stand here.</Text>
      )}
    </ScrollView>
  );
}
