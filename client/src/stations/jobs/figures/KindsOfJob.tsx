/** Which kinds of job earn and which lose. */
import type { LedgerEntry } from '@katabasis/core';
import { ENOUGH, kindsOfJob, kindWords } from '@katabasis/core/ledger';
import { useMemo } from 'react';
import { View } from 'react-native';
import { SPACE } from '../../../theme/tokens';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';

export function KindsOfJob({ entries }: { entries: readonly LedgerEntry[] }) {
  const kinds = useMemo(() => kindsOfJob(entries), [entries]);
  return (
    <View style={{ gap: SPACE.m }} testID="kinds-of-job">
      <Text kind="heading">Kinds of job, the worst first</Text>
      {kinds.length === 0 && <Text>A kind stands here once {ENOUGH} jobs of it are settled.</Text>}
      {kinds.map((each) => {
        const { title, about } = kindWords(each);
        return (
          <View key={each.trait} style={{ flexDirection: 'row', gap: SPACE.m }}>
            <Mark kind={each.loses ? 'fix' : each.lost > 0 ? 'mind' : 'holds'} />
            <View style={{ flex: 1 }}>
              <Text kind="strong">{title}</Text>
              <Text>{about}</Text>
            </View>
          </View>
        );
      })}
    </View>
  );
}
