/** Jars in their order, the best first. */
import { fillLabel, jarWords, rankJars, type Jar } from '@katabasis/core/visits';
import { View } from 'react-native';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';

export function JarsRanked({ jars }: { jars: readonly Jar[] }) {
  return (
    <View style={{ gap: SPACE.xs }} role="status" testID="jars-ranked">
      {rankJars(jars).map((ranked) => (
        <Text key={fillLabel(ranked.jar)}>{jarWords(ranked)}.</Text>
      ))}
    </View>
  );
}
