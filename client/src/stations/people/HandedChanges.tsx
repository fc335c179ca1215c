/** What somebody wrote who may not: put in, or let be. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { JOBS_KEY } from '../../sync/keys';
import { peopleApi } from './peopleApi';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SideRow } from '../jobs/SidePage';
import { Said } from '../../parts/Said';
import { useAttempt } from '../../parts/useAttempt';

const HANDED_KEY = ['handed'] as const;

export function HandedChanges() {
  const { data } = useQuery({ queryKey: HANDED_KEY, queryFn: api.handed, staleTime: 0 });
  const client = useQueryClient();
  const { said, attempt } = useAttempt();
  const done = async (work: () => Promise<void>): Promise<void> => {
    if (!(await attempt(work))) return;
    void client.invalidateQueries({ queryKey: HANDED_KEY });
    void client.invalidateQueries({ queryKey: JOBS_KEY });
  };
  const changes = data?.changes ?? [];
  if (changes.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Written by who may not</Text>
      <Text>It is in no job. Put in what is right; what was changed meanwhile is not written over.</Text>
      <Said said={said} />
      <View role="list">
        {changes.map(({ number, name, label, at, by, touches }) => (
          <SideRow
            key={number}
            name={`${name}: ${label}`}
            about={`${by} · ${momentOf(at)} · ${touches === 1 ? 'one thing' : `${touches} things`}`}
          >
            <Button label="Put it in" onPress={() => void done(() => peopleApi.putIn(number))} testID="put-in" />
            <Button label="Let it be" onPress={() => void done(() => peopleApi.letBe(number))} />
          </SideRow>
        ))}
      </View>
    </View>
  );
}
