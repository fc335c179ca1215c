/** Several pipes chosen by drawing round them, and what they have alike set at once. */
import { nameOf, runsWithin, type Place } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { PipeChoices } from '../../../parts/pipes/PipeChoices';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';

interface Props {
  round: readonly Place[];
  onBack: () => void;
  onAnew: (() => void) | null;
  onClose: () => void;
}

/** So many are named; of more only how many they are. */
const NAMED = 6;

export function PipesRoundSheet({ round, onBack, onAnew, onClose }: Props) {
  const { job } = useJob();
  const runs = useMemo(() => runsWithin(job, round), [job, round]);
  const of = runs.length === 1 ? 'one pipe' : `${runs.length} pipes`;
  return (
    <Sheet title="Several pipes" onClose={onClose}>
      <Text kind="strong">
        {round.length < 3
          ? 'Tap the corners of an outline round the pipes.'
          : runs.length === 0
            ? 'No new pipe lies for the most part within that.'
            : `${of.charAt(0).toUpperCase()}${of.slice(1)} within that.`}
      </Text>
      {runs.length > 0 && runs.length <= NAMED && (
        <Text kind="small">{runs.map(({ id }) => nameOf(job, id)).join(' · ')}</Text>
      )}
      {round.length > 0 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="One back" onPress={onBack} />
          {onAnew && <Button label="Begin anew" kind="bare" onPress={onAnew} />}
        </View>
      )}
      {runs.length > 0 && <PipeChoices runs={runs} of={of} />}
    </Sheet>
  );
}
