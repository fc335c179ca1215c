/** What lies in the ground all over a job, set once, for all lines or for one. */
import { newRuns, wayOfRun } from '@katabasis/core';
import { useRouter } from 'expo-router';
import Lasso from 'lucide-react-native/icons/lasso';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { ROUND } from '../yardAddress';
import { PipeChoices } from './PipeChoices';

const ALL = 'all';

export function ManyPipes() {
  const { job, plan } = useJob();
  const router = useRouter();
  const [scope, setScope] = useState(ALL);
  const drawn = newRuns(job).filter((run) => wayOfRun(job, run)).length;
  const line = plan.lines.find(({ letter }) => letter === scope);
  const runs = useMemo(() => newRuns(job, line?.runs), [job, line]);
  if (newRuns(job).length === 0) return null;
  return (
    <View style={{ gap: SPACE.m }} testID="many-pipes">
      <Text kind="heading">All pipe at once</Text>
      {plan.lines.length > 1 && (
        <Choice
          label="Of which line"
          value={line ? scope : ALL}
          options={[
            { value: ALL, label: 'All of them' },
            ...plan.lines.map(({ letter }) => ({ value: letter, label: `Line ${letter}` })),
          ]}
          onChoose={setScope}
        />
      )}
      <PipeChoices runs={runs} of={line ? `line ${line.letter}` : 'all pipe'} />
      {drawn > 1 && (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label="Draw round some of them"
            icon={Lasso}
            onPress={() => router.navigate(`/job/${job.id}/yard?at=${encodeURIComponent(ROUND)}`)}
          />
        </View>
      )}
    </View>
  );
}
