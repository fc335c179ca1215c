/** A place by tapes: two from two known corners, or along a wall and off it. */
import {
  alongAndOff,
  distance,
  showLength,
  showSmall,
  text,
  tie,
  type Place,
  type Tied,
  type UnitSystem,
} from '@katabasis/core';
import { useEffect, useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { QuantityField } from '../../../input/Field';
import { Fields } from '../../../input/Fields';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { fieldRow } from '../../../ui/rows';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import { useTaped, type Taped, type Tapes } from '../doing';
import { lengthEntry, levelEntry } from '../../../input/entry';

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

/** Under this the tapes cut too sharply for a good place, rad: 30°. */
const SHARP = Math.PI / 6;

type Found = { ok: true; place: Place; cut: number | null } | (Tied & { ok: false });

function placeByTapes(a: Place, b: Place, { way, first, second, side }: Taped): Found | null {
  if (first === undefined || second === undefined) return null;
  if (way === 'along') return { ok: true, place: alongAndOff(a, b, first, second), cut: null };
  return tie({ a, b, fromA: first, fromB: second, side });
}

function tieFailed(failed: Tied & { ok: false }, units: UnitSystem): string {
  if (failed.why === 'onePlace') return 'Both corners are one place.';
  const by = text(showSmall(failed.by, units));
  return `The tapes do not meet: ${failed.why === 'short' ? `they are ${by} too short` : `one is ${by} too long`}.`;
}

function cutWords(cut: number): string {
  const degrees = Math.round((cut * 180) / Math.PI);
  return `The tapes cut at ${degrees}°${cut < SHARP ? ': a poor place. Take another corner.' : '.'}`;
}

export function TapeSheet({ name, tapes: { a, b }, onShow, onPut, onAnew, onClose }: Props) {
  const { job, units } = useJob();
  const [{ way, first, second, side }, setTaped] = useTaped(job.id);
  const set = (next: Partial<Taped>): null => {
    setTaped((now) => ({ ...now, ...next }));
    return null;
  };
  const found = useMemo(
    () => (a && b ? placeByTapes(a, b, { way, first, second, side }) : null),
    [a, b, way, first, second, side],
  );
  const place = found?.ok ? found.place : null;
  useEffect(() => onShow(place), [onShow, place]);
  return (
    <Sheet title={`${name} by tapes`} onClose={onClose}>
      <Choice
        label="Measured"
        value={way}
        options={[
          { value: 'tie', label: 'From two corners' },
          { value: 'along', label: 'Along a wall, and off it' },
        ]}
        onChoose={(next) => set({ way: next })}
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
          <TapeFigures taped={{ way, first, second, side }} set={set} />
          {found && !found.ok && (
            <Text tone="stop" role="alert">
              {tieFailed(found, units)}
            </Text>
          )}
          {place && (
            <>
              {found?.ok && found.cut !== null && <Text>{cutWords(found.cut)}</Text>}
              <Text>{text(showLength(distance(place, a), units))} from the first corner.</Text>
            </>
          )}
        </>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          label="Put it there"
          kind="main"
          disabled={!place}
          onPress={() => {
            setTaped((now) => ({ way: now.way, side: now.side }));
            onPut(place!);
          }}
          testID="tape-put"
        />
        {a && <Button label="Other corners" kind="bare" onPress={onAnew} />}
      </View>
    </Sheet>
  );
}

/** The two figures that the tapes give. */
function TapeFigures({
  taped: { way, first, second, side },
  set,
}: {
  taped: Taped;
  set: (next: Partial<Taped>) => null;
}) {
  const { units } = useJob();
  return (
    <>
      <Fields of={null}>
        <View style={fieldRow}>
          <QuantityField
            label={way === 'tie' ? 'From the first corner' : 'Along, from the first corner'}
            name="first"
            value={first}
            {...lengthEntry(units)}
            onCommit={(next) => set({ first: next })}
            testID="tape-first"
          />
          {way === 'tie' ? (
            <QuantityField
              label="From the second corner"
              name="second"
              value={second}
              {...lengthEntry(units)}
              onCommit={(next) => set({ second: next })}
              testID="tape-second"
            />
          ) : (
            <QuantityField
              label="Off, right is more than 0"
              name="off"
              value={second}
              {...levelEntry(units)}
              onCommit={(next) => set({ second: next })}
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
          onChoose={(next) => set({ side: next })}
        />
      )}
    </>
  );
}
