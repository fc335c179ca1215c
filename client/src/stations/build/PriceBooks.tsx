/** Where a job's rates come from: the company's price books, a supplier's catalogue, in and out as a table. */
import {
  catalogueTable,
  freshId,
  headOf,
  put,
  readCatalogue,
  type JobElement,
  type PriceBook,
  type TakeOff,
  pricesOf,
} from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { whyNot } from '../../sync/ask';
import { pickFile } from '../../files/files';
import { readTable, saveTable, tooLarge } from '../../files/tables';
import { BOOKS_KEY, offices, useBooks } from '../../files/offices';
import { useJob } from '../../planning/useJob';
import { NameField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { sayDay, todayOf } from '../../parts/today';

/** Bytes of a catalogue: 100,000 rows, of which it may have 5,000. */
const MOST = 5e6;
/** Refused rows that are told; how many more is said. */
const TOLD = 8;

interface Told {
  taken: number;
  refused: readonly { row: number; sentence: string }[];
}

/** What is done with books and catalogues, and what came of it. */
function useRates(taken: TakeOff) {
  const { job, edit } = useJob();
  const queries = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const head = headOf(job);
  const prices = (label: string, next: JobElement['prices']): string | null =>
    edit(put(label, { ...head, prices: { ...head.prices, ...next } } as JobElement));
  const takeOver = ({ name, from, prices: own }: PriceBook): void =>
    setSaid(edit(put(`Price by ${name}`, { ...head, prices: { ...own, book: { name, from } } } as JobElement)));
  const keep = (name: string): null => {
    const { book: _before, ...own } = { ...pricesOf(job) } as NonNullable<JobElement['prices']>;
    const from = todayOf();
    offices
      .keepBook({ id: freshId('book'), name, from, prices: own })
      .then(() => queries.invalidateQueries({ queryKey: BOOKS_KEY }))
      .then(() => prices('Keep the rates as a book', { book: { name, from } }))
      .then(setSaid)
      .catch((error: unknown) => setSaid(whyNot(error, 'The book could not be kept.')));
    return null;
  };
  const read = async (): Promise<void> => {
    const file = await pickFile('.csv,text/csv');
    if (!file) return;
    const large = tooLarge(file, MOST);
    if (large !== null) {
      setTold(null);
      return setSaid(large);
    }
    const catalogue = readCatalogue(job, taken, await readTable(file));
    if ('sentence' in catalogue) {
      setTold(null);
      return setSaid(catalogue.sentence);
    }
    const count = Object.keys(catalogue.rates).length;
    setTold({ taken: count, refused: catalogue.refused });
    setSaid(
      count === 0 ? null : prices('Take over a catalogue', { rates: { ...pricesOf(job).rates, ...catalogue.rates } }),
    );
  };
  return { said, told, takeOver, keep, read };
}

export function PriceBooks({ taken }: { taken: TakeOff }) {
  const { job } = useJob();
  const books = useBooks();
  const { said, told, takeOver, keep, read } = useRates(taken);
  const book = headOf(job).prices?.book;
  const others = (books.data ?? []).filter(({ name, from }) => name !== book?.name || from !== book.from);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Price book and catalogue</Text>
      <Text>
        {book
          ? `By ${book.name}, as it stood from ${sayDay(book.from)}. What is quoted keeps it, whatever book comes after.`
          : 'By no book of your company yet: the usual, invented rates, and what you typed over them.'}
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {others.map((each) => (
          <Button
            key={each.id}
            label={`Price by ${each.name}, from ${sayDay(each.from)}`}
            onPress={() => takeOver(each)}
            testID="take-book"
          />
        ))}
      </View>
      <Fields of={null}>
        <NameField
          label="Keep these rates as a book called"
          value=""
          optional
          usual="such as Spring rates"
          onCommit={(name) => (name === '' ? null : keep(name))}
          testID="keep-book"
        />
      </Fields>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          label="Save the parts with prices"
          onPress={() => saveTable(job, 'catalogue', catalogueTable(job, taken))}
          testID="save-catalogue"
        />
        <Button label="Read a supplier’s prices" onPress={() => void read()} testID="read-catalogue" />
      </View>
      {said !== null && (
        <Text tone="stop" role="alert">
          {said}
        </Text>
      )}
      {told !== null && <Outcome told={told} />}
    </View>
  );
}

/** How many prices were taken over, and which rows could not be. */
function Outcome({ told }: { told: Told }) {
  return (
    <View role="status">
      <Text>
        {told.taken === 1 ? '1 price is taken over' : `${told.taken} prices are taken over`}
        {told.refused.length === 0 ? '.' : `; ${told.refused.length} could not be:`}
      </Text>
      {told.refused.slice(0, TOLD).map(({ row, sentence }) => (
        <Text key={row}>
          Row {row} {sentence}
        </Text>
      ))}
      {told.refused.length > TOLD && <Text>And {told.refused.length - TOLD} more.</Text>}
    </View>
  );
}
