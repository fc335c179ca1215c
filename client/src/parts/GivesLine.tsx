/** What a tap would give, beside it: a mark and a line. */
import { View } from 'react-native';
import { SPACE } from '../theme/tokens';
import { Mark } from '../ui/Mark';
import { Text } from '../ui/Text';
import type { Gives } from './gives';

export function GivesLine({ mark, says }: Gives) {
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
      <Mark kind={mark} size={18} />
      <View style={{ flex: 1 }}>
        <Text kind="small">{says}</Text>
      </View>
    </View>
  );
}
