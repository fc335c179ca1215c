/** A level of the ground. */
import { levelsOf, ofKind, put, showLevel, text, type SpotLevel } from '@katabasis/core';
import { View } from 'react-native';
import { Line } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { NameField, QuantityField } from '../../input/Field';
import { levelEntry } from '../../input/entry';
import { without } from '../../input/without';
import { OwnName } from '../../parts/forms/OwnName';
import { Choice } from '../../ui/Choice';
import { Figure } from '../../ui/Figure';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import type { ElementView } from '../view';

function Panel({ element: spot }: { element: SpotLevel }) {
  const { job, units } = useJob();
  const level = levelsOf(job).byId.get(spot.id);
  const books = ofKind(job, 'levelBook').filter(({ readings }) => readings.some(({ point }) => point === spot.id));
  return (
    <>
      {level !== undefined && <Figure label="Ground" shown={showLevel(level, units)} size="hero" />}
      {books.map((book) => (
        <Text key={book.id}>
          {spot.level === undefined ? 'By its readings in ' : 'Known; also read in '}
          {book.name}
          {': '}
          {book.readings
            .filter(({ point }) => point === spot.id)
            .map(({ sight, rod }) => `${sight} sight ${text(showLevel(rod, units))}`)
            .join(', ')}
          .
        </Text>
      ))}
    </>
  );
}

function Form({ element: spot }: { element: SpotLevel }) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof SpotLevel, value: unknown): string | null =>
    edit(put(label, without(spot, key, value)));
  return (
    <>
      <View style={fieldRow}>
        <OwnName element={spot} />
        <QuantityField
          label="Level"
          usual="by its readings"
          value={spot.level}
          {...levelEntry(units)}
          optional
          hint="Above or below the job’s zero"
          onCommit={(level) => set('Set the level', 'level', level)}
        />
        <NameField
          label="What stands there"
          value={spot.code ?? ''}
          optional
          most={60}
          onCommit={(code) => set('Say what stands there', 'code', code === '' ? undefined : code)}
        />
      </View>
      <Choice
        label="In the level book it is"
        value={spot.benchmark ? 'known' : 'found'}
        options={[
          { value: 'found', label: 'A point of the ground' },
          { value: 'known', label: 'Known', note: 'a book may begin and end on it' },
        ]}
        onChoose={(as) => set('Say what it is in the book', 'benchmark', as === 'known' ? true : undefined)}
      />
    </>
  );
}

export const spotLevelView: ElementView<SpotLevel> = {
  Form,
  Panel,
  list: {
    group: 'levels',
    about: ({ id, code, benchmark }, { job, units }) => {
      const level = levelsOf(job).byId.get(id);
      return {
        about: benchmark ? 'known' : (code ?? 'ground'),
        ...(level === undefined ? {} : { figure: showLevel(level, units) }),
      };
    },
  },
  onPlan: ({ benchmark }, { spots: [at], ink, chosen }) => {
    const r = chosen ? 8 : benchmark ? 7 : 4;
    return (
      <>
        <Line x1={at!.x - r} x2={at!.x + r} y1={at!.y} y2={at!.y} stroke={ink} strokeWidth={chosen ? 3 : 1.6} />
        <Line x1={at!.x} x2={at!.x} y1={at!.y - r} y2={at!.y + r} stroke={ink} strokeWidth={chosen ? 3 : 1.6} />
      </>
    );
  },
};
