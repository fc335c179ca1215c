/** What would explain a test that is off, the likeliest first, and the test that tells the first two apart. */
import type { Visit } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { explainHose, type HoseExplained } from '../../planning/storms';
import { useWorked } from '../../planning/useWorked';
import { SPACE } from '../../theme/tokens';
import { Text } from '../../ui/Text';

export function Explained({ visit }: { visit: Visit }) {
  const { job } = useJob();
  const told = useWorked<HoseExplained | null>([job.elements, visit], async (signal, give) => {
    give(await explainHose(job, visit.id, { signal }));
  });
  if (told === undefined) return <Text tone="soft">Trying what would explain it.</Text>;
  if (told === null) return null;
  return (
    <View style={{ gap: SPACE.m }} testID="explained">
      <Text kind="heading">What would explain it</Text>
      <Causes causes={told.causes} />
      {told.tests > 1 && <Text kind="small">By all {told.tests} tests of this line together.</Text>}
      {told.next && (
        <View style={{ gap: SPACE.xs }} testID="next-test">
          <Text kind="heading">Next</Text>
          <Text kind="strong">{told.next.title}.</Text>
          <Text>{told.next.why}</Text>
        </View>
      )}
    </View>
  );
}

export interface Cause {
  sure: string;
  title: string;
  says: string;
}

export function Causes({ causes }: { causes: readonly Cause[] }) {
  return (
    <>
      {causes.map(({ sure, title, says }) => (
        <View key={`${title} ${says}`} style={{ gap: 2 }}>
          <Text>
            <Text kind="small">{sure}: </Text>
            <Text kind="strong">{title}</Text>
          </Text>
          {says !== '' && <Text>{says}</Text>}
        </View>
      ))}
    </>
  );
}
