/** Something built another way at the same place, with what that would give beside it. */
import { changed, type Change } from '@katabasis/core';
import Shuffle from 'lucide-react-native/icons/shuffle';
import { View } from 'react-native';
import { planWith } from '../planning/planner';
import { useJob } from '../planning/useJob';
import { useWorked } from '../planning/useWorked';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { givesWords, type Gives } from './gives';
import { GivesLine } from './GivesLine';

/** `about`: id of what the line tells of; `on`: what the change is made of, which it is worked out again with. */
export function Instead({
  label,
  change,
  about,
  on,
  testID,
}: {
  label: string;
  change: () => Change;
  about: string;
  on: readonly unknown[];
  testID: string;
}) {
  const { job, edit } = useJob();
  const gave = useWorked<Gives>([job, ...on], async (signal, give) => {
    const made = change();
    give(givesWords(changed(job, made), await planWith(job, made, signal), about));
  });
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      <Button label={label} icon={Shuffle} onPress={() => void edit(change())} testID={testID} />
      {gave && <GivesLine {...gave} />}
    </View>
  );
}
