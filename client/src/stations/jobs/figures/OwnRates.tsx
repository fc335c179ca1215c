/** What parts, work and hauling cost beside the price book: kept as a new book by a tap; a book that was quoted by stays as it is. */
import { freshId, money, rateUnit, type LedgerEntry, type PriceBook, type UnitSystem } from '@katabasis/core';
import { behind, ENOUGH, factor, partsFrom, percent, ratesWith, workFrom, type OwnPart } from '@katabasis/core/ledger';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { BOOKS_KEY, offices, useBooks } from '../../../files/offices';
import { todayOf } from '../../../parts/today';
import { whyNot } from '../../../sync/ask';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';
import { FigureLine } from './FigureLine';

/** Parts that are told, those with most jobs behind them first. */
const TOLD = 20;
const NAME = 'Own figures';

interface Props {
  entries: readonly LedgerEntry[];
  currency: string;
}

export function OwnRates({ entries, currency }: Props) {
  const books = useBooks();
  const units = entries.at(-1)?.units ?? 'us';
  // The book that holds now: its rates are what is measured against.
  const base = (books.data ?? []).find(({ prices }) => (prices.currency ?? 'USD') === currency);
  const rates = useMemo(() => base?.prices.rates ?? {}, [base]);
  const parts = useMemo(() => partsFrom(entries), [entries]);
  const work = useMemo(() => workFrom(entries, 'work', rates), [entries, rates]);
  const hauling = useMemo(() => workFrom(entries, 'hauling', rates), [entries, rates]);
  if (!work && !hauling && parts.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }} testID="own-rates">
      <Text kind="heading">What it costs</Text>
      <Text>{base ? `Beside ${base.name}.` : 'Beside the usual, invented rates: no price book is kept yet.'}</Text>
      {work && <FigureLine label="Work" value={factor(work.median)} about={behind(work, factor)} />}
      {hauling && <FigureLine label="Hauling" value={factor(hauling.median)} about={behind(hauling, factor)} />}
      {parts.slice(0, TOLD).map((part) => (
        <FigureLine key={part.key} label={part.label} {...partWords(part, currency, units)} />
      ))}
      <TakeRates entries={entries} currency={currency} base={base} />
    </View>
  );
}

/** What one of its units cost; or, where nobody told, how much of what was counted went in. */
function partWords(
  { unit, used, rate }: OwnPart,
  currency: string,
  units: UnitSystem,
): { value: string; about: string } {
  const { per, said } = rateUnit(unit, units);
  const cost = (each: number): string => money(Math.round(each * per), currency);
  const went = used ? `${percent(used.median)} of what was counted went in` : '';
  if (!rate) return { value: used ? percent(used.median) : '', about: went };
  return {
    value: cost(rate.median),
    about: [`${said[0]!.toUpperCase()}${said.slice(1)}. ${behind(rate, cost)}`, went].join('. '),
  };
}

function TakeRates({ entries, currency, base }: Props & { base: PriceBook | undefined }) {
  const queries = useQueryClient();
  const [said, setSaid] = useState<{ tone: 'stop' | 'plain'; words: string } | null>(null);
  const rates = base?.prices.rates ?? {};
  const next = ratesWith(rates, entries);
  const changed = Object.keys(next).filter((key) => Math.abs(next[key]! - (rates[key] ?? -1)) > 0.005 * next[key]!);
  if (changed.length === 0)
    return <Text>A rate can be taken over once {ENOUGH} jobs tell of it; none differs now.</Text>;
  const keep = async (): Promise<void> => {
    try {
      const prices = { ...base?.prices, currency, rates: next };
      await offices.keepBook({ id: freshId('book'), name: NAME, from: todayOf(), prices });
      await queries.invalidateQueries({ queryKey: BOOKS_KEY });
      setSaid({ tone: 'plain', words: `Kept as ${NAME}: choose it under Price in a job.` });
    } catch (error) {
      setSaid({ tone: 'stop', words: whyNot(error, 'The book could not be kept.') });
    }
  };
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <Text>
        {changed.length === 1 ? 'One rate' : `${changed.length} rates`} would differ
        {base ? ` from ${base.name}, which stays as it is` : ' from the usual ones'}.
      </Text>
      <Button label="Keep them as a price book" onPress={() => void keep()} testID="take-rates" />
      {said !== null && (
        <Text tone={said.tone === 'stop' ? 'stop' : 'soft'} role="status">
          {said.words}
        </Text>
      )}
    </View>
  );
}
