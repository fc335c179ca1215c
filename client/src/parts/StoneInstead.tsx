/** A channel drain's other way: open stone along the slab, with what that would give beside it. */
import { changed, stoneInstead, type Channel } from '@katabasis/core';
import Shuffle from 'lucide-react-native/icons/shuffle';
import { View } from 'react-native';
import { planWith } from '../data/planner';
import { useKept } from '../data/useJob';
import { useWorked } from '../data/useWorked';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Mark } from '../ui/Mark';
import { Text } from '../ui/Text';
import { givesWords, type Gives } from './gives';

export function StoneInstead({ channel }: { channel: Channel }) {
  const { job, plan, edit } = useKept();
  const level = plan.landings[channel.id]?.groundLevel ?? channel.groundLevel;
  const gave = useWorked<Gives>([job, channel, level], async (signal, give) => {
    const change = stoneInstead(channel, level);
    give(givesWords(changed(job, change), await planWith(job, change, signal), channel.id));
  });
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      <Button
        label="An open stone drain instead"
        icon={Shuffle}
        onPress={() => void edit(stoneInstead(channel, level))}
        testID="stone-instead"
      />
      {gave && (
        <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
          <Mark kind={gave.mark} size={18} />
          <View style={{ flex: 1 }}>
            <Text kind="small">{gave.says}</Text>
          </View>
        </View>
      )}
    </View>
  );
}
