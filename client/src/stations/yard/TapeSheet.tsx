/** A place by tapes: two from two known corners, or along a wall and off it. */
import { alongAndOff, showLength, showSmall, text, tie, type Place } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useKept } from '../../data/useJob';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { lengthEntry, levelEntry } from '../../input/entry';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Sheet } from '../../ui/Sheet';
import { Text } from '../../ui/Text';

export interface Tapes {
  /** Corners that were tapped: the tapes' ends, or a wall's. */
  a: Place | null;
  b: Place | null;
}

interface Props {
  /** What is being put down. */
  name: string;
  tapes: Tapes;
  /** Shows the place that the tapes give; null where they give none. */
  onShow: (place: Place | null) => void;
  onPut: (place: Place) => void;
  onAnew: () => void;
  onClose: () => void;
}

type Way = 'tie' | 'along';
/** Under this the tapes cut too sharply for a good place, rad: 30°. */
const SHARP = Math.PI / 6;

export function TapeSheet({ name, tapes: { a, b }, onShow, onPut, onAnew, onClose }: Props) {
  const { units } = useKept();
  const [way, setWay] = useState<Way>('tie');
  const [first, setFirst] = useState<number | undefined>(undefined);
  const [second, setSecond] = useState<number | undefined>(undefined);
  const [side, setSide] = useState<'left' | 'right'>('left');
  const found = ((): { place: Place; says: string } | { wrong: string } | null => {
    if (!a || !b || first === undefined || second === undefined) return null;
    if (way === 'along') return { place: alongAndOff(a, b, first, second), says: '' };
    const tied = tie({ a, b, fromA: first, fromB: second, side });
    if (!tied.ok)
      return {
        wrong:
          tied.why === 'onePlace'
            ? 'Both corners are one place.'
            : tied.why === 'short'
              ? `The tapes do not meet: they are ${text(showSmall(tied.by, units))} too short.`
              : `The tapes do not meet: one is ${text(showSmall(tied.by, units))} too long.`,
      };
    const cut = Math.round((tied.cut * 180) / Math.PI);
    return {
      place: tied.place,
      says:
        tied.cut < SHARP ? `The tapes cut at ${cut}°: a poor place. Take another corner.` : `The tapes cut at ${cut}°.`,
    };
  })();
  const set =
    (take: (value: number | undefined) => void, other: number | undefined, firstOne: boolean) =>
    (value: number | undefined) => {
      take(value);
      const [one, two] = firstOne ? [value, other] : [other, value];
      if (a && b && one !== undefined && two !== undefined) {
        const tied =
          way === 'along'
            ? { ok: true as const, place: alongAndOff(a, b, one, two) }
            : tie({ a, b, fromA: one, fromB: two, side });
        onShow(tied.ok ? tied.place : null);
      }
      return null;
    };
  return (
    <Sheet title={`${name} by tapes`} onClose={onClose}>
      <Choice
        label="Measured"
        value={way}
        options={[
          { value: 'tie', label: 'From two corners' },
          { value: 'along', label: 'Along a wall, and off it' },
        ]}
        onChoose={setWay}
      />
      {!a || !b ? (
        <Text kind="strong">
          {a
            ? way === 'tie'
              ? 'Tap the other corner.'
              : 'Tap the wall’s other corner.'
            : way === 'tie'
              ? 'Tap the first corner on the plan.'
              : 'Tap the wall’s first corner.'}
        </Text>
      ) : (
        <>
          <Fields of={null}>
            <View style={fieldRow}>
              <QuantityField
                label={way === 'tie' ? 'From the first corner' : 'Along, from the first corner'}
                name="first"
                value={first}
                {...lengthEntry(units)}
                onCommit={set(setFirst, second, true)}
                testID="tape-first"
              />
              {way === 'tie' ? (
                <QuantityField
                  label="From the second corner"
                  name="second"
                  value={second}
                  {...lengthEntry(units)}
                  onCommit={set(setSecond, first, false)}
                  testID="tape-second"
                />
              ) : (
                <QuantityField
                  label="Off, right is more than 0"
                  name="off"
                  value={second}
                  {...levelEntry(units)}
                  onCommit={set(setSecond, first, false)}
                />
              )}
            </View>
          </Fields>
          {way === 'tie' && (
            <Choice
              label="Seen from the first corner to the second it lies"
              value={side}
              options={[
                { value: 'left', label: 'Left' },
                { value: 'right', label: 'Right' },
              ]}
              onChoose={setSide}
            />
          )}
          {found && 'wrong' in found && (
            <Text tone="stop" role="alert">
              {found.wrong}
            </Text>
          )}
          {found && 'place' in found && (
            <>
              {found.says !== '' && <Text>{found.says}</Text>}
              <Text>
                {text(showLength(Math.hypot(found.place.east - a.east, found.place.north - a.north), units))} from the
                first corner.
              </Text>
            </>
          )}
        </>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          label="Put it there"
          kind="main"
          disabled={!found || !('place' in found)}
          onPress={() => found && 'place' in found && onPut(found.place)}
          testID="tape-put"
        />
        {a && <Button label="Other corners" kind="bare" onPress={onAnew} />}
      </View>
    </Sheet>
  );
}
