/** What the ground says: ponds and wet spots, where the next level is wanted, and how it falls away from walls. */
import {
  freeName,
  freshId,
  groundOf,
  nextLevels,
  nextWords,
  ofKind,
  onPlan,
  placeOfCell,
  pondWords,
  seenOf,
  seenWords,
  showSmall,
  slopesAway,
  text,
  unseenPonds,
  yardWater,
  type Basin,
  type Place,
} from '@katabasis/core';
import { View } from 'react-native';
import { useKept } from '../../data/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Sheet } from '../../ui/Sheet';
import { Text } from '../../ui/Text';

interface Props {
  onClose: () => void;
  onGo: (id: string) => void;
  onShow: (place: Place) => void;
}

/** Ground falls away from a wall by this in its first 10 ft, m: 6 in. */
const FALL_ASKED = 0.1524;

export function SaysSheet({ onClose, onGo, onShow }: Props) {
  const { job, edit, units } = useKept();
  const ground = groundOf(job);
  const water = yardWater(job);
  if (!ground.surface || !water)
    return (
      <Sheet title="What the ground says" onClose={onClose}>
        <Text>
          {ground.points.length < 3
            ? `Three levels make ground; there ${ground.points.length === 1 ? 'is 1' : `are ${ground.points.length}`}. Take them where water is, at the corners of the house, and at every place it could go.`
            : 'All levels lie in one line: take one beside it.'}
        </Text>
        <Button label="Take levels" kind="main" onPress={() => onGo('~levels')} />
      </Sheet>
    );
  const next = nextLevels(job);
  const ponds = unseenPonds(job);
  const said = seenOf(job).flatMap((seen) => {
    const words = seenWords(job, seen);
    return words === null ? [] : [{ id: seen.wet.id, words }];
  });
  const walls = ofKind(job, 'building').flatMap((building) =>
    building.outline
      ? slopesAway(job, building.outline)
          .filter(({ fall }) => fall < FALL_ASKED - 0.005)
          .map((each) => ({ ...each, name: building.name }))
      : [],
  );
  return (
    <Sheet title="What the ground says" onClose={onClose}>
      {next.length > 0 && (
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
      )}
      {said.map(({ id, words }) => (
        <View key={id} style={{ gap: SPACE.xs }}>
          <Text>{words}</Text>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Why it is wet" onPress={() => onGo(id)} />
          </View>
        </View>
      ))}
      {ponds.length > 0 && <Text kind="heading">Ponds by the levels, seen by nobody yet</Text>}
      {ponds.map((pond) => {
        const place = placeOfCell(water.grid, pond.deepest);
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
      {said.length === 0 && ponds.length === 0 && <Text>No hollow holds water by these levels.</Text>}
      {walls.length > 0 && (
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
      )}
    </Sheet>
  );
}
