/** A picture under the plan, put to scale by a length that is known on it. */
import { distance, onward, bearing, put, showLength, text, type Place, type Underlay } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { degreesEntry, lengthEntry, levelEntry } from '../../input/entry';
import { OwnName } from '../../parts/forms/OwnName';
import { Text } from '../../ui/Text';
import { fieldRow } from '../../ui/rows';
import { SCALE } from '../../parts/yardAddress';
import { Button } from '../../ui/Button';
import type { ElementView, FormProps } from '../view';

function Form({ element, onGo }: FormProps<Underlay>) {
  const { edit, units } = useJob();
  const { a, b } = element;
  const length = distance(a.place, b.place);
  const along = bearing(a.place, b.place);
  const lie = (from: Place, turn: number, long: number): string | null =>
    edit(
      put('Lay the picture to scale', {
        ...element,
        a: { ...a, place: from },
        b: { ...b, place: onward(from, turn, long) },
      }),
    );
  return (
    <>
      <Text>
        It is {text(showLength(length, units))} wide on the plan, from the middle of its left edge to the middle of its
        right. Measure something on it that you know, and make it as much wider.
      </Text>
      <View style={{ flexDirection: 'row' }}>
        <Button label="Scale it by two points" onPress={() => onGo(SCALE + element.id)} testID="scale" />
      </View>
      <OwnName element={element} />
      <View style={fieldRow}>
        <QuantityField
          label="Width of the picture"
          value={length}
          {...lengthEntry(units)}
          onCommit={(long) => lie(a.place, along, long!)}
          testID="underlay-width"
        />
        <QuantityField
          label="Its top points to"
          value={along - Math.PI / 2}
          {...degreesEntry}
          hint="0° is up the plan"
          onCommit={(turn) => lie(a.place, turn! + Math.PI / 2, length)}
        />
        <QuantityField
          label="Its left edge, east"
          value={a.place.east}
          {...levelEntry(units)}
          onCommit={(east) => lie({ ...a.place, east: east! }, along, length)}
        />
        <QuantityField
          label="Its left edge, north"
          value={a.place.north}
          {...levelEntry(units)}
          onCommit={(north) => lie({ ...a.place, north: north! }, along, length)}
        />
      </View>
    </>
  );
}

export const underlayView: ElementView<Underlay> = {
  Form,
  list: { group: 'pictures', about: () => ({ about: 'under the ground plan' }) },
};
