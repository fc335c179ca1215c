/** Taking levels: tap a place, key in the rod, next. */
import {
  elementOf,
  levelsOf,
  LONGEST_ROD,
  nameOf,
  parseLength,
  showLevel,
  text,
  type Place,
  type SpotLevel,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { rodOf } from '../../../files/rod';
import { useJob } from '../../../planning/useJob';
import type { Snapped } from '../../../drawing/yard/snap';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';
import { useTyped } from '../doing';
import { Keypad } from '../../../input/Keypad';
import { booked, bookingOf, sightAt, type Booking, type Sight } from './levelling';

interface Props {
  pending: Snapped | null;
  onPending: (pending: Snapped | null) => void;
  onClose: () => void;
}

export function LevelsSheet({ pending, onPending, onClose }: Props) {
  const { job, units } = useJob();
  const booking = useMemo(() => bookingOf(job), [job]);
  const [last, setLast] = useState<string | null>(null);
  const turn = booking.turn === null ? null : (elementOf(job, 'spotLevel', booking.turn) ?? null);
  const spot: SpotLevel | null = turn ?? (pending?.id ? (elementOf(job, 'spotLevel', pending.id) ?? null) : null);
  const place = turn?.place ?? pending?.place ?? null;
  const found = last === null ? undefined : levelsOf(job).byId.get(last);
  return (
    <Sheet
      title="Levels"
      over={booking.back ? `Set up by ${nameOf(job, booking.back.point)}` : 'No set-up open'}
      onClose={onClose}
    >
      {place === null ? (
        <View aria-live="polite" style={{ gap: SPACE.xs }}>
          <Text kind="strong">Tap where the rod stands.</Text>
          {found !== undefined && (
            <Text>
              {nameOf(job, last!)} is at {text(showLevel(found, units))}.
            </Text>
          )}
        </View>
      ) : (
        <Reading
          key={`${place.east} ${place.north} ${booking.turn}`}
          booking={booking}
          place={place}
          spot={spot}
          onBooked={(id) => {
            setLast(id);
            onPending(null);
          }}
        />
      )}
    </Sheet>
  );
}

interface ReadingProps {
  booking: Booking;
  place: Place;
  /** The level that is read again; null for a new one. */
  spot: SpotLevel | null;
  onBooked: (id: string) => void;
}

/** One reading at one place. */
function Reading({ booking, place, spot, onBooked }: ReadingProps) {
  const { job, edit, units } = useJob();
  const [typed, setTyped] = useTyped(job.id, 'rod');
  const [wanted, setWanted] = useState<Sight>('between');
  const [wrong, setWrong] = useState<string | null>(null);
  const sight = sightAt(job, booking, spot, wanted);
  const read = parseLength(typed, units);
  const device = rodOf(job.id);
  if ('wrong' in sight)
    return (
      <Text kind="strong" role="alert">
        {sight.wrong}
      </Text>
    );
  const take = (rod: number): void => {
    if (Math.abs(rod) > LONGEST_ROD) return setWrong('A rod is at most 9 m (29 ft) long.');
    const change = booked(job, booking, { place, spot, sight: sight.sight, rod });
    const refused = edit(change);
    if (refused !== null) setWrong(refused);
    else {
      setTyped('');
      onBooked(spot?.id ?? change.puts[0]!.id);
    }
  };
  const ask = (): void => void device.read(place, booking.back).then(take, (error: Error) => setWrong(error.message));
  const turning = booking.turn !== null;
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }} aria-live="polite">
        <View style={{ flexGrow: 1, flexShrink: 1, flexBasis: 150 }}>
          <Text kind="strong">
            {turning
              ? `Move the instrument, and read ${spot?.name ?? 'the point'} again.`
              : `${spot ? spot.name : 'New level'}. ${sight.note}`.trim()}
          </Text>
        </View>
        <Button label={`Read: ${device.name}`} onPress={ask} testID="read-rod" />
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
      <Keypad units={units} typed={typed} onTyped={setTyped} read={typed === '' ? null : read}>
        <Button
          label="Book it"
          kind="main"
          disabled={!read.ok}
          onPress={() => read.ok && take(read.value)}
          testID="book-it"
        />
      </Keypad>
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
  );
}
