/** News: jobs given, questions and answers, what customers said. What is seen here is read. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { together } from '../../files/together';
import { TODAY_KEY, TOLD_KEY } from '../../sync/keys';
import { Notice } from '../../ui/Notice';
import { OutOfReach } from '../OutOfReach';
import { LinkRow } from './LinkRow';
import { momentOf } from './moments';
import { SidePage } from './SidePage';

export function NewsScreen() {
  const router = useRouter();
  const client = useQueryClient();
  const told = useQuery({ queryKey: TOLD_KEY, queryFn: together.told, staleTime: 0, refetchInterval: 15_000 });
  const latest = told.data?.told.find(({ fresh }) => fresh)?.number;
  // Read once the page is left: as long as it is looked at, what is new stays marked.
  useEffect(() => {
    if (latest === undefined) return undefined;
    return () => {
      together.readTo(latest).then(
        () => void client.invalidateQueries({ queryKey: TODAY_KEY }),
        () => undefined,
      );
    };
  }, [latest, client]);
  return (
    <SidePage title="News">
      {told.isPending && <Notice title="Reading" />}
      {told.isError && (
        <OutOfReach error={told.error} rest="This page needs the server." onRetry={() => void told.refetch()} />
      )}
      {told.data?.told.length === 0 && (
        <Notice title="No news">
          Jobs that are given to you, questions about a job and their answers, and what customers accept or ask stand
          here.
        </Notice>
      )}
      <View role="list">
        {told.data?.told.map(({ number, at, job, name, what, fresh }) => (
          <LinkRow
            key={number}
            name={what}
            small={[fresh && 'New', name, momentOf(at)].filter(Boolean).join(' · ')}
            marked={fresh}
            onPress={() => router.navigate(`/job/${job}/plan?at=job`)}
          />
        ))}
      </View>
    </SidePage>
  );
}
