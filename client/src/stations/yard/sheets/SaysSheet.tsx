/** What the ground says: ponds and wet spots, where the next level is wanted, and how it falls away from walls. */
import {
  FALL_ASKED,
  freeName,
  freshId,
  nextWords,
  onPlan,
  pondWords,
  seenWords,
  showLength,
  showSmall,
  text,
  type Basin,
  type GroundSays,
  type Place,
} from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { useYard } from '../../../planning/useYard';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Mark } from '../../../ui/Mark';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import { LowSpots } from './LowSpots';

interface Props {
  onClose: () => void;
  onGo: (id: string) => void;
  onShow: (place: Place) => void;
}

export function SaysSheet({ onClose, onGo, onShow }: Props) {
  const { job, units } = useJob();
  const { answer: says } = useYard(job, 'says', null);
  if (!says)
    return (
      <Sheet title="What the ground says" onClose={onClose}>
        <Text tone="soft">Working out the ground.</Text>
      </Sheet>
    );
  if (!says.ground)
    return (
      <Sheet title="What the ground says" onClose={onClose}>
        <Text>
          {says.levels < 3
            ? `Three levels make ground; there ${says.levels === 1 ? 'is 1' : `are ${says.levels}`}. Take them where water is, at the corners of the house, and at every place it could go.`
            : 'All levels lie in one line: take one beside it.'}
        </Text>
        <Button label="Take levels" kind="main" onPress={() => onGo('~levels')} />
      </Sheet>
    );
  const { next, unseen, walls } = says;
  const said = says.seen.flatMap((seen) => {
    const words = seenWords(job, seen);
    return words === null ? [] : [{ id: seen.wet.id, words }];
  });
  return (
    <Sheet title="What the ground says" onClose={onClose}>
      {next.length > 0 && <NextLevels next={next} onShow={onShow} />}
      {says.guessedFrom !== null && (
        <Text>
          Contours are dashed where levels stand more than {text(showLength(says.guessedFrom, units))} apart: how the
          ground runs between those nobody has measured.
        </Text>
      )}
      {said.map(({ id, words }) => (
        <View key={id} style={{ gap: SPACE.xs }}>
          <Text>{words}</Text>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Why it is wet" onPress={() => onGo(id)} />
          </View>
        </View>
      ))}
      {unseen.length > 0 && <Text kind="heading">Ponds by the levels, seen by nobody yet</Text>}
      <Ponds ponds={unseen} onGo={onGo} onShow={onShow} />
      <LowSpots says={says} />
      {said.length === 0 && unseen.length === 0 && <Text>No hollow holds water by these levels.</Text>}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Section along a way" onPress={() => onGo('~section')} testID="yard-section" />
      </View>
      {walls.length > 0 && <Walls walls={walls} onShow={onShow} />}
    </Sheet>
  );
}

/** Where the next level tells most. */
function NextLevels({ next, onShow }: Pick<GroundSays, 'next'> & Pick<Props, 'onShow'>) {
  const { job } = useJob();
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text kind="heading">The next level to take</Text>
      {next.map((each) => (
        <View key={`${each.on} ${each.place.east} ${each.place.north}`} style={{ gap: SPACE.xs }}>
          <Text>{nextWords(job, each)}</Text>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Show where" onPress={() => onShow(each.place)} />
          </View>
        </View>
      ))}
    </View>
  );
}

/** Hollows that hold water by the levels, which nobody has seen wet. */
function Ponds({ ponds, onGo, onShow }: { ponds: GroundSays['unseen'] } & Pick<Props, 'onGo' | 'onShow'>) {
  const { job, edit } = useJob();
  return (
    <>
      {ponds.map(({ pond, place }) => {
        const [depth, volume] = pondWords(job, pond);
        return (
          <View key={pond.deepest} style={{ gap: SPACE.xs }}>
            <Text>
              {depth}, holding {volume}.
            </Text>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
              <Button label="Show where" onPress={() => onShow(place)} />
              <Button
                label="Put a basin there"
                onPress={() => {
                  const basin = onPlan(
                    {
                      id: freshId('basin'),
                      kind: 'basin',
                      name: freeName(job, 'Basin'),
                      grate: 'flat12',
                      groundLevel: 0,
                    } as Basin,
                    place,
                  );
                  if (edit({ label: 'Put in a catch basin', puts: [basin], removes: [] }) === null) onGo(basin.id);
                }}
              />
            </View>
          </View>
        );
      })}
    </>
  );
}

/** How the ground falls along each wall. */
function Walls({ walls, onShow }: Pick<GroundSays, 'walls'> & Pick<Props, 'onShow'>) {
  const { units } = useJob();
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text kind="heading">Falls away from walls</Text>
      <Text kind="small">{text(showSmall(FALL_ASKED, units))} in the first 10 ft is asked.</Text>
      {walls.map(({ name, wall, fall, middle }) => (
        <View
          key={`${name} ${wall}`}
          style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' }}
        >
          <Mark kind={fall < 0 ? 'fix' : 'mind'} />
          <View style={{ flexGrow: 1, flexBasis: 200 }}>
            <Text>
              {name}, wall {wall + 1}:{' '}
              {fall < 0
                ? `falls ${text(showSmall(-fall, units))} toward it`
                : `falls ${text(showSmall(fall, units))} away`}
            </Text>
          </View>
          <Button label={`Show wall ${wall + 1} of ${name}`} kind="bare" onPress={() => onShow(middle)} />
        </View>
      ))}
    </View>
  );
}
