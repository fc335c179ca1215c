/** A picture put to scale: two taps on it, and how far apart they are. */
import { distance, elementOf, put, scaledBy, showLength, text } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { lengthEntry } from '../../../input/entry';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import type { Tapes } from '../doing';

interface Props {
  underlay: string;
  /** The two taps. */
  taps: Tapes;
  onAnew: () => void;
  onClose: () => void;
  onGo: (id: string) => void;
}

export function ScaleSheet({ underlay: id, taps: { a, b }, onAnew, onClose, onGo }: Props) {
  const { job, edit, units } = useJob();
  const underlay = elementOf(job, 'underlay', id);
  if (!underlay) return null;
  return (
    <Sheet title={`${underlay.name} to scale`} onClose={onClose}>
      {!a || !b ? (
        <Text kind="strong">
          {a
            ? 'Tap the other end of what you know.'
            : 'Tap one end of something on it whose length you know: a wall, a drive.'}
        </Text>
      ) : (
        <>
          <Text>They are {text(showLength(distance(a, b), units))} apart as it lies now.</Text>
          <Fields of={null}>
            <QuantityField
              label="Measured, they are apart"
              value={undefined}
              {...lengthEntry(units)}
              onCommit={(length) => {
                const next = scaledBy(underlay, a, b, length!);
                if (!next) return 'Both taps must be on the picture, and apart.';
                const refused = edit(put('Lay the picture to scale', next));
                if (refused === null) onGo(id);
                return refused;
              }}
              testID="scale-length"
            />
          </Fields>
        </>
      )}
      {a && (
        <View style={{ flexDirection: 'row' }}>
          <Button label="Other ends" kind="bare" onPress={onAnew} />
        </View>
      )}
    </Sheet>
  );
}
