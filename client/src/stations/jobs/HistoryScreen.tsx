/** What was done to a job, by whom and when; and a copy of it as it stood after any of that. */
import { freshId, type JobReply } from '@katabasis/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { useHistory } from '../../sync/records';
import { jobKey, JOBS_KEY } from '../../sync/keys';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { momentOf } from './moments';
import { OutOfReach } from '../OutOfReach';
import { SidePage, SideRow } from './SidePage';

const nameIn = (job: JobReply | undefined): string => {
  const head = job?.elements.find(({ element }) => element.kind === 'job')?.element;
  return head?.kind === 'job' ? head.name : 'This job';
};

export function HistoryScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const history = useHistory(id);
  const job = useQuery({ queryKey: jobKey(id), queryFn: () => api.job(id) });
  const client = useQueryClient();
  const router = useRouter();
  const [said, setSaid] = useState<string | null>(null);
  const name = nameIn(job.data);
  const copy = async (seq: number, after: string): Promise<void> => {
    const copyId = freshId('j');
    try {
      await api.copyAt(id, { id: copyId, seq, name: `${name}, ${after}`.slice(0, 120) });
      void client.invalidateQueries({ queryKey: JOBS_KEY });
      router.navigate(`/job/${copyId}/plan`);
    } catch (error) {
      setSaid(`The copy was not made. ${(error as Error).message}`);
    }
  };
  const changes = history.data?.pages.flatMap((page) => page.changes) ?? [];
  const whole = history.data !== undefined && !history.hasNextPage;
  return (
    <SidePage title="What was done" back={{ label: 'Back to the job', to: `/job/${id}/plan?at=job` }}>
      <View>
        <Text kind="heading">{name}</Text>
        <Text tone="soft">Latest first. The job itself stays as it is; going back makes a copy.</Text>
      </View>
      {said !== null && <Text role="alert">{said}</Text>}
      {history.isPending && <Notice title="Reading" />}
      {history.isError && (
        <OutOfReach error={history.error} rest="This page needs the server." onRetry={() => void history.refetch()} />
      )}
      <View role="list">
        {changes.map(({ seq, label, at, by }) => (
          <SideRow key={seq} name={label} about={`${by} · ${momentOf(at)}`}>
            <Button label="Copy as after this" onPress={() => void copy(seq, momentOf(at))} />
          </SideRow>
        ))}
        {whole && (
          <SideRow
            name="Begun"
            about={changes.length === 0 ? 'Nothing has been changed since.' : 'Before the first change'}
          >
            <Button label="Copy as it began" onPress={() => void copy(0, 'as it began')} />
          </SideRow>
        )}
      </View>
      {history.hasNextPage && (
        <View style={{ flexDirection: 'row' }}>
          <Button label="Show earlier" onPress={() => void history.fetchNextPage()} />
        </View>
      )}
    </SidePage>
  );
}
