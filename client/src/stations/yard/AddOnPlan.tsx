/** What to put down: by pacing, by taps, or what is in the job and not on the plan yet. */
import { kindOf, nameOf } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { unplaced } from '../../drawing/yard/scene';
import { PUT } from '../../parts/yardAddress';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { Text } from '../../ui/Text';
import { WordRow } from '../../ui/WordRow';
import { NEW, PUTTABLE } from './tools/tool';

/** Most looked for first: the house, then what is wet, then where it goes. */
const FIRST = ['Building', 'Wet spot', 'Downspout', 'Way out', 'Basin', 'Channel', 'Level'];

export function AddOnPlan({ onClose, onGo }: { onClose: () => void; onGo: (id: string) => void }) {
  const { job } = useJob();
  const waiting = unplaced(job).filter(({ kind }) => kind !== 'underlay' && kind !== 'spotLevel');
  const rank = (stem: string): number => FIRST.indexOf(stem) + 1 || FIRST.length + 1;
  const offered = [...PUTTABLE].sort((a, b) => rank(a.stem) - rank(b.stem));
  return (
    <Sheet title="Put down" onClose={onClose}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Pace out a house" kind="main" onPress={() => onGo('~pace')} testID="pace" />
      </View>
      <View>
        {offered.map(({ stem, says }) => (
          <WordRow key={stem} word={stem} about={says} onPress={() => onGo(NEW + stem)} testID={`put-${stem}`} />
        ))}
      </View>
      {waiting.length > 0 && (
        <View>
          <Text kind="heading">In the job, not on the plan yet</Text>
          {waiting.map((element) => (
            <WordRow
              key={element.id}
              word={nameOf(job, element.id)}
              about={kindOf(element.kind).label}
              label={`${nameOf(job, element.id)}: put it on the plan`}
              onPress={() => onGo(PUT + element.id)}
            />
          ))}
        </View>
      )}
    </Sheet>
  );
}
