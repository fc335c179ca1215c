/** A change that a visit speaks for: made by a tap, with what is said of the whole plan then. */
import type { Change, Plan } from '@katabasis/core';
import { View } from 'react-native';
import { GivesLine } from '../../parts/GivesLine';
import { planWith } from '../../planning/planner';
import { useJob } from '../../planning/useJob';
import { useWorked } from '../../planning/useWorked';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';

interface Props {
  label: string;
  why: string;
  /** Told apart from another by its words. */
  change: Change;
}

export function Offered({ label, why, change }: Props) {
  const { job, edit } = useJob();
  const then = useWorked<Plan>([job, label, why], async (signal, give) => give(await planWith(job, change, signal)));
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <Text>{why}</Text>
      <Button label={label} onPress={() => void edit(change)} testID="take-over" />
      {then && <GivesLine mark={then.verdict.state} says={`Then: ${then.verdict.sentence}`} />}
    </View>
  );
}
