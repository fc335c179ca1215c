/** Figures of how this job is built: ground that is raised, how near lines share a trench, the least load. */
import { headOf, put, waysOf, type JobElement } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { shareBetween, smallEntry } from '../../../input/entry';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import { Raised } from './Raised';

type Ways = NonNullable<JobElement['ways']>;

export function WaysFigures() {
  const { job, edit, units } = useJob();
  const head = headOf(job);
  const ways = waysOf(head.ways);
  const set = (label: string, next: Partial<Ways>): string | null =>
    edit(put(label, { ...head, ways: { ...head.ways, ...next } }));
  return (
    <View style={{ gap: SPACE.m }}>
      <Text kind="heading">Figures</Text>
      <Raised />
      <Fields of={null}>
        <QuantityField
          label="Runs drawn so near share a trench"
          value={ways.shareWithin}
          {...smallEntry(units, 0, 5, 'That distance is')}
          hint="Middle to middle; 0 digs each by itself"
          onCommit={(shareWithin) => set('Say how near runs share a trench', { shareWithin: shareWithin! })}
          testID="share-within"
        />
        <QuantityField
          label="A load is charged as, at least"
          value={ways.leastLoad}
          {...shareBetween(0, 1, 'It is')}
          hint={`Of a truck of ${units === 'us' ? '10 yd³' : '7.6 m³'}`}
          onCommit={(share) => set('Set the least load', { leastLoad: share! })}
          testID="least-load"
        />
      </Fields>
    </View>
  );
}
