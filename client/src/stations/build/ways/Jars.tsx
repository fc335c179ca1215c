/** What the company's own jars say to a question: kinds that stood beside one another in a test. */
import { sideBySide, sideBySideWords } from '@katabasis/core/visits';
import { View } from 'react-native';
import { useJars } from '../../../sync/records';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';

export function Jars({ school }: { school: string }) {
  const { data } = useJars();
  const pairs = data ? sideBySide(data.tests, school) : [];
  if (pairs.length === 0) return null;
  return (
    <View style={{ gap: SPACE.xs }} testID={`jars-${school}`}>
      {pairs.map((pair) => (
        <Text key={`${pair.fill} ${pair.beside}`}>{sideBySideWords(pair)}</Text>
      ))}
    </View>
  );
}
