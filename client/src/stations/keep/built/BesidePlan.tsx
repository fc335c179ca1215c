/** What was laid otherwise than it was planned; or a way to keep the plan, before anybody digs. */
import type { Job } from '@katabasis/core';
import { keepPlanned, movedRuns, movedWords } from '@katabasis/core/as-built';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';

export function BesidePlan({ before }: { before: Job | null }) {
  const { job, plan, edit } = useJob();
  const moved = useMemo(() => (before ? movedRuns(job, plan, before) : []), [job, plan, before]);
  if (!before)
    return (
      <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
        <Text>Keep the plan as it is before you dig: whatever is moved then shows beside it here.</Text>
        <Button label="Keep this plan" onPress={() => void edit(keepPlanned(job))} testID="keep-planned" />
      </View>
    );
  return (
    <View style={{ gap: SPACE.s }} testID="beside-plan">
      {moved.length === 0 && (
        <View style={{ flexDirection: 'row', gap: SPACE.m }}>
          <Mark kind="holds" />
          <Text>Every pipe lies where it was planned.</Text>
        </View>
      )}
      {moved.map((each) => (
        <View key={each.run} style={{ flexDirection: 'row', gap: SPACE.m }}>
          <Mark kind="mind" />
          <View style={{ flex: 1 }}>
            <Text>{movedWords(job, before, each)}</Text>
          </View>
        </View>
      ))}
    </View>
  );
}
