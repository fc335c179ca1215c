/** What ends an open stone drain: a basin that silt is taken out of, and the way on under an entrance to the stone on its other side. */
import { acrossFrom, basinAtEnd, changed, passedUnder, type StoneDrain } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { planWith } from '../planning/planner';
import { useJob } from '../planning/useJob';
import { useWorked } from '../planning/useWorked';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { givesWords, type Gives } from './gives';
import { GivesLine } from './GivesLine';

export function StoneEnds({ drain }: { drain: StoneDrain }) {
  const { job, edit } = useJob();
  const basin = useMemo(() => basinAtEnd(job, drain), [job, drain]);
  const across = useMemo(
    () => acrossFrom(job, drain).map((other) => ({ other, ...passedUnder(job, drain, other) })),
    [job, drain],
  );
  const gives = useWorked<ReadonlyMap<string, Gives>>([job, across], async (signal, give) => {
    const known = new Map<string, Gives>();
    for (const { other, change, id } of across) {
      known.set(other.id, givesWords(changed(job, change), await planWith(job, change, signal), id));
      give(new Map(known));
    }
  });
  if (!basin && across.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      {across.map(({ other, change }) => {
        const gave = gives?.get(other.id);
        return (
          <View key={other.id} style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
            <Button
              label={`Lead it under the slab to ${other.name}`}
              onPress={() => void edit(change)}
              testID="stone-under"
            />
            {gave && <GivesLine {...gave} />}
          </View>
        );
      })}
      {basin && <Button label="A basin at its end" onPress={() => void edit(basin)} testID="stone-basin" />}
    </View>
  );
}
