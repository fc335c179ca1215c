/** Jobs that were taken out, each with the day until which it can be brought back. */
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../../sync/api';
import { useBin } from '../../sync/records';
import { BIN_KEY, JOBS_KEY } from '../../sync/keys';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { dayOf, momentOf } from './moments';
import { OutOfReach } from '../OutOfReach';
import { SidePage, SideRow } from './SidePage';

export function BinScreen() {
  const bin = useBin();
  const client = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const jobs = bin.data?.jobs ?? [];
  const restore = async (id: string): Promise<void> => {
    setSaid(null);
    await api.restore(id).catch((error: Error) => setSaid(`It was not brought back. ${error.message}`));
    void client.invalidateQueries({ queryKey: BIN_KEY });
    void client.invalidateQueries({ queryKey: JOBS_KEY });
  };
  return (
    <SidePage title="Taken out">
      <Text tone="soft">Jobs that were taken out are kept for 30 days, and come back whole.</Text>
      {said !== null && <Text role="alert">{said}</Text>}
      {bin.isPending && <Notice title="Reading" />}
      {bin.isError && (
        <OutOfReach error={bin.error} rest="This page needs the server." onRetry={() => void bin.refetch()} />
      )}
      {bin.data && jobs.length === 0 && <Notice title="Nothing has been taken out" />}
      <View role="list">
        {jobs.map(({ id, name, deletedAt, keptUntil }) => (
          <SideRow key={id} name={name} about={`Taken out ${momentOf(deletedAt)} · kept until ${dayOf(keptUntil)}`}>
            <Button label={`Bring back ${name}`} onPress={() => void restore(id)} />
          </SideRow>
        ))}
      </View>
    </SidePage>
  );
}
