/** The readings of a level book: each can be put right, and what it was stays beside it. */
import { levelsOf, nameOf, put, showLevel, showSmall, text, type LevelBook } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { distanceUpTo, levelEntry, smallEntry } from '../../input/entry';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { OwnName } from './OwnName';

const SIGHTS = { back: 'Back sight', between: 'Between', fore: 'Fore sight' } as const;

const WRONG = {
  noSetUp: 'is read without a set-up: a back sight to a known point comes first',
  unknownBack: 'is a back sight to a point of no known level',
  backTwice: 'is a second back sight of one set-up',
  rodTooLong: 'is longer than any rod',
} as const;

export function LevelBookForm({ element: book }: { element: LevelBook }) {
  const { job, edit, units } = useJob();
  const result = levelsOf(job).books.get(book.id);
  const set = (readings: LevelBook['readings'], label = 'Put a reading right'): string | null =>
    edit(put(label, { ...book, readings }));
  const right = (k: number, rod: number): string | null => {
    const before = book.readings[k]!;
    if (before.rod === rod) return null;
    const was = [...(before.was ?? []), before.rod].slice(-20);
    return set(book.readings.map((each, at) => (at === k ? { ...each, rod, was } : each)));
  };
  return (
    <>
      {result && <Closing book={book} />}
      <OwnName element={book} />
      {book.readings.length === 0 && <Text tone="soft">No reading yet: on the ground plan, tap Levels.</Text>}
      {book.readings.map((reading, k) => {
        const fault = result?.faults.find((each) => each.reading === k);
        return (
          <View key={k} style={{ gap: SPACE.xs }}>
            <View style={fieldRow}>
              <QuantityField
                label={`${SIGHTS[reading.sight]}, ${nameOf(job, reading.point)}`}
                name={`reading ${k}`}
                value={reading.rod}
                {...levelEntry(units)}
                onCommit={(rod) => right(k, rod!)}
              />
              <QuantityField
                label="From the instrument"
                name={`away ${k}`}
                usual="not said"
                value={reading.away}
                {...distanceUpTo(units, 1000, 'A sight is')}
                optional
                onCommit={(away) =>
                  set(
                    book.readings.map((each, at) => (at === k ? without(each, 'away', away) : each)),
                    'Say how far it was',
                  )
                }
              />
              <Button
                label={reading.sight === 'between' ? 'Take it out' : 'Take it out of the book'}
                kind="bare"
                onPress={() =>
                  set(
                    book.readings.filter((_, at) => at !== k),
                    'Take a reading out',
                  )
                }
              />
            </View>
            {fault && (
              <Text tone="stop" role="alert">
                {nameOf(job, reading.point)} {WRONG[fault.why]}.
              </Text>
            )}
            {reading.was && (
              <Text kind="small">
                Booked before as {reading.was.map((rod) => text(showLevel(rod, units))).join(', ')}.
              </Text>
            )}
          </View>
        );
      })}
      <QuantityField
        label="May fail to close by"
        usual={result ? `${text(showSmall(result.permitted, units))}, usual` : ''}
        value={book.permitted}
        {...smallEntry(units, 0.001, 1, 'It is')}
        optional
        onCommit={(permitted) => edit(put('Set what is permitted', without(book, 'permitted', permitted)))}
      />
      <TwoPeg book={book} />
    </>
  );
}

/** How it closes, in one sentence. */
function Closing({ book }: { book: LevelBook }) {
  const { job, units } = useJob();
  const { misclosure, adjusted, permitted, stretches } = levelsOf(job).books.get(book.id)!;
  if (misclosure === null)
    return (
      <Text>
        {stretches.length === 0
          ? 'It has not been closed on a known point: a wrong reading would not show.'
          : 'Its last set-up has not been closed on a known point.'}
      </Text>
    );
  const shown = text(showSmall(Math.abs(misclosure), units));
  const limit = text(showSmall(permitted, units));
  if (Math.abs(misclosure) <= permitted)
    return (
      <Text kind="strong">
        Closes within {shown}, and {limit} is permitted{adjusted ? ': shared out by set-ups' : ''}.
      </Text>
    );
  return (
    <Text kind="strong" tone="stop" role="alert">
      Out by {shown}, and {limit} is permitted: the levels stand as read. Read it again.
    </Text>
  );
}

const FIRST_TEST = { distance: 30, midA: 1.5, midB: 1.5, endA: 1.5, endB: 1.5 };

/** The test of the instrument: two pegs, read from the middle and from beside one of them. */
function TwoPeg({ book }: { book: LevelBook }) {
  const { job, edit, units } = useJob();
  const { twoPeg } = book;
  const set = (next: LevelBook['twoPeg']): string | null =>
    edit(put('Set the two-peg test', without(book, 'twoPeg', next)));
  const collimation = levelsOf(job).books.get(book.id)?.collimation ?? 0;
  const per = units === 'us' ? 30.48 : 30;
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="Two-peg test of the instrument"
        value={twoPeg ? 'done' : 'not'}
        options={[
          { value: 'not', label: 'Not done' },
          {
            value: 'done',
            label: 'Done',
            ...(twoPeg
              ? {
                  note: `${text(showSmall(Math.abs(collimation) * per, units))} ${collimation >= 0 ? 'up' : 'down'} in ${units === 'us' ? '100 ft' : '30 m'}`,
                }
              : {}),
          },
        ]}
        onChoose={(how) => set(how === 'done' ? (twoPeg ?? FIRST_TEST) : undefined)}
      />
      {twoPeg && (
        <View style={fieldRow}>
          {(
            [
              ['distance', 'Between the pegs'],
              ['midA', 'A from the middle'],
              ['midB', 'B from the middle'],
              ['endA', 'A from beside A'],
              ['endB', 'B from beside A'],
            ] as const
          ).map(([key, label]) => (
            <QuantityField
              key={key}
              label={label}
              value={twoPeg[key]}
              {...levelEntry(units)}
              onCommit={(value) =>
                key === 'distance' && value! <= 0 ? 'The pegs stand apart.' : set({ ...twoPeg, [key]: value! })
              }
            />
          ))}
        </View>
      )}
    </View>
  );
}
