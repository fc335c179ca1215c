/** A channel drain's other way: open stone along the slab, with what that would give beside it. */
import { changed, stoneInstead, type Channel } from '@katabasis/core';
import Shuffle from 'lucide-react-native/icons/shuffle';
import { View } from 'react-native';
import { planWith } from '../planning/planner';
import { useJob } from '../planning/useJob';
import { useWorked } from '../planning/useWorked';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { givesWords, type Gives } from './gives';
import { GivesLine } from './GivesLine';

export function StoneInstead({ channel }: { channel: Channel }) {
  const { job, plan, edit } = useJob();
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
      {gave && <GivesLine {...gave} />}
    </View>
  );
}
