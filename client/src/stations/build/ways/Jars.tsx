/** What the company's own jars say to a question: kinds that stood beside one another in a test. */
import { jarTestsOf, sideBySide, sideBySideWords } from '@katabasis/core/visits';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { useJars } from '../../../sync/records';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';

export function Jars({ school }: { school: string }) {
  const { job } = useJob();
  const { data } = useJars();
  // Those of this job are there without the server.
  const others = (data?.tests ?? []).filter((each) => each.job !== job.id);
  const pairs = sideBySide([...jarTestsOf(job), ...others], school);
  if (pairs.length === 0) return null;
  return (
    <View style={{ gap: SPACE.xs }} testID={`jars-${school}`}>
      {pairs.map((pair) => (
        <Text key={`${pair.fill} ${pair.beside}`}>{sideBySideWords(pair)}</Text>
      ))}
    </View>
  );
}
