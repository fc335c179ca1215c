/** Taking levels: tap a place, key in the rod, next. */
import { elementOf, headOf, levelsOf, nameOf, parseLength, showLevel, text, type SpotLevel } from '@katabasis/core';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { rodOf } from '../../data/rod';
import { useKept } from '../../data/useJob';
import type { Snapped } from '../../drawing/yard/snap';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Text } from '../../ui/Text';
import { Keypad } from './Keypad';
import { booked, bookingOf, sightAt, type Sight } from './levelling';

interface Props {
  pending: Snapped | null;
  onPending: (pending: Snapped | null) => void;
  onClose: () => void;
}

export function LevelsSheet({ pending, onPending, onClose }: Props) {
  const { job, edit, units } = useKept();
  const booking = useMemo(() => bookingOf(job), [job]);
  const [typed, setTyped] = useState('');
  const [wanted, setWanted] = useState<Sight>('between');
  const [wrong, setWrong] = useState<string | null>(null);
  const [last, setLast] = useState<string | null>(null);
  useEffect(() => {
    setTyped('');
    setWrong(null);
  }, [pending]);
  const turn = booking.turn === null ? null : (elementOf(job, 'spotLevel', booking.turn) ?? null);
  const spot: SpotLevel | null = turn ?? (pending?.id ? (elementOf(job, 'spotLevel', pending.id) ?? null) : null);
  const place = turn?.place ?? pending?.place ?? null;
  const sight = sightAt(job, booking, spot, wanted);
  const read = parseLength(typed, units);
  const take = (rod: number): void => {
    if (!place || 'wrong' in sight) return;
    if (Math.abs(rod) > 9) return setWrong('A rod is at most 9 m (29 ft) long.');
    const change = booked(job, booking, place, spot, sight.sight, rod);
    const refused = edit(change);
    if (refused !== null) return setWrong(refused);
    setLast(spot?.id ?? change.puts[0]!.id);
    setTyped('');
    setWanted('between');
    onPending(null);
  };
  const device = rodOf(headOf(job).id === 'job' ? job.id : job.id);
  const ask = (): void => {
    if (!place) return;
    device.read(place, booking.back).then(take, (error: Error) => setWrong(error.message));
  };
  const found = last === null ? undefined : levelsOf(job).byId.get(last);
  return (
    <Sheet
      title="Levels"
      over={booking.back ? `Set up by ${nameOf(job, booking.back.point)}` : 'No set-up open'}
      onClose={onClose}
    >
      <View aria-live="polite" style={{ gap: SPACE.xs }}>
        <Text kind="strong">
          {turn
            ? `Move the instrument, and read ${turn.name} again.`
            : place === null
              ? 'Tap where the rod stands.'
              : 'wrong' in sight
                ? sight.wrong
                : `${spot ? spot.name : 'New level'}. ${sight.note}`.trim()}
        </Text>
        {place === null && found !== undefined && (
          <Text>
            {nameOf(job, last!)} is at {text(showLevel(found, units))}.
          </Text>
        )}
        {wrong !== null && (
          <Text tone="stop" role="alert">
            {wrong}
          </Text>
        )}
      </View>
      {place !== null && !('wrong' in sight) && (
        <>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            <Button label={`Read: ${device.name}`} onPress={ask} testID="read-rod" />
            <Button
              label="Book it"
              kind="main"
              disabled={!read.ok}
              onPress={() => read.ok && take(read.value)}
              testID="book-it"
            />
          </View>
          <Keypad units={units} typed={typed} onTyped={setTyped} read={typed === '' ? null : read} />
          {booking.back && (
            <Choice
              label="This reading is"
              value={wanted}
              options={[
                { value: 'between', label: 'One of several' },
                { value: 'fore', label: 'The last of this set-up', note: 'then the instrument moves' },
              ]}
              onChoose={setWanted}
            />
          )}
        </>
      )}
    </Sheet>
  );
}
