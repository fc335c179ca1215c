/** Who did what, from where, the latest first: only added to. */
import { useInfiniteQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SidePage, SideRow } from '../jobs/SidePage';
import { OutOfReach } from '../OutOfReach';

export function AuditScreen() {
  const audit = useInfiniteQuery({
    queryKey: ['audit'],
    queryFn: ({ pageParam }) => api.audit(pageParam ?? undefined),
    initialPageParam: null as number | null,
    getNextPageParam: ({ next }) => next,
    staleTime: 0,
  });
  const entries = audit.data?.pages.flatMap((page) => page.entries) ?? [];
  return (
    <SidePage title="What was done" back={{ label: 'People', to: '/people' }}>
      <Text tone="soft">
        People, devices, links and jobs taken out; what was changed in a job stands in its own history.
      </Text>
      {audit.isPending && <Notice title="Reading" />}
      {audit.isError && (
        <OutOfReach error={audit.error} rest={audit.error.message} onRetry={() => void audit.refetch()} />
      )}
      {audit.data && entries.length === 0 && <Text>Nothing has been done yet.</Text>}
      <View role="list">
        {entries.map(({ number, who, what, at, address }) => (
          <SideRow key={number} name={`${who}: ${what}`} about={`${momentOf(at)} · from ${address}`} />
        ))}
      </View>
      {audit.hasNextPage && (
        <View style={{ flexDirection: 'row' }}>
          <Button label="Show earlier" onPress={() => void audit.fetchNextPage()} />
        </View>
      )}
    </SidePage>
  );
}
