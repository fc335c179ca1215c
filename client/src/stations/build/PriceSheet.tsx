/** What it costs and what is asked: every line dearest first, each rate the job's own for the typing. */
import {
  headOf,
  isCurrency,
  leastUnits,
  lineLabel,
  METRES_PER_FOOT,
  money,
  priceOf,
  pricesOf,
  usualWords,
  type Price,
  type TakeOff,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { NameField, QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Figure } from '../../ui/Figure';
import { fieldRow, figureRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { PriceBooks } from './PriceBooks';
import { PriceConditions } from './PriceConditions';
import { Line, usePrices } from './PriceLine';
import { shareBetween } from '../../input/entry';

const make = (_palette: Palette) => ({
  sum: { flexDirection: 'row' as const, justifyContent: 'space-between' as const, gap: SPACE.m, minHeight: 32 },
});

export function PriceSheet({ taken }: { taken: TakeOff }) {
  const { job, units } = useJob();
  const price = useMemo(() => priceOf(job, taken), [job, taken]);
  const [open, setOpen] = useState<string | null>(null);
  const { currency } = price;
  const usual = usualWords(job, taken, price);
  const foot = units === 'us' ? METRES_PER_FOOT : 1;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <View style={figureRow}>
        <Figure label="Price" shown={{ value: money(price.price, currency), unit: '' }} size="hero" />
        <Figure label="Cost" shown={{ value: money(price.cost, currency), unit: '' }} />
        <Figure label="Margin" shown={{ value: `${Math.round(price.margin * 100)} %`, unit: '' }} />
        {price.length > 0 && (
          <Figure
            label={`Comes to ${units === 'us' ? 'a foot' : 'a metre'} of trench`}
            shown={{ value: money(Math.round((price.price / price.length) * foot), currency), unit: '' }}
          />
        )}
      </View>
      {usual !== null && <Text>{usual}</Text>}
      <Book />
      <PriceConditions />
      <View>
        <Text kind="heading">What drives it</Text>
        {price.lines.map((line) => (
          <Line
            key={line.key}
            line={line}
            price={price}
            label={lineLabel(job, taken, line)}
            taken={taken}
            open={open === line.key}
            onToggle={() => setOpen((now) => (now === line.key ? null : line.key))}
          />
        ))}
      </View>
      <Sums price={price} />
      <PriceBooks taken={taken} />
      <Text kind="small">Cost and margin are yours; a customer sees the price.</Text>
    </View>
  );
}

/** The shares that make a price of a cost. */
function Book() {
  const { job } = useJob();
  const set = usePrices();
  const { currency, contingency, overhead, profit, tax } = pricesOf(job);
  const ownRates = headOf(job).prices?.rates;
  /** Figures that were typed stay as they were typed: nobody knows here what the one is worth in the other. */
  const inCurrency = (rates: NonNullable<typeof ownRates>, code: string) =>
    Object.fromEntries(
      Object.entries(rates).map(([key, rate]) => [key, (rate * leastUnits(code)) / leastUnits(currency)]),
    );
  const share = (
    label: string,
    value: number,
    most: number,
    put_: (next: number) => string | null,
    testID?: string,
  ) => (
    <QuantityField
      label={label}
      value={value}
      {...shareBetween(0, most, `${label} is`)}
      onCommit={(next) => put_(next!)}
      {...(testID ? { testID } : {})}
    />
  );
  return (
    <Fields of={null}>
      <Choice
        label="Profit as"
        value={profit.as}
        options={[
          { value: 'margin', label: 'Margin', note: 'a share of the price' },
          { value: 'markup', label: 'Mark-up', note: 'a share of the cost' },
        ]}
        onChoose={(as) => void set('Say what profit is a share of', { profit: { as, share: profit.share } })}
      />
      <View style={fieldRow}>
        {share(
          profit.as === 'margin' ? 'Margin' : 'Mark-up',
          profit.share,
          profit.as === 'margin' ? 0.95 : 5,
          (next) => set('Set the profit', { profit: { as: profit.as, share: next } }),
          'price-profit',
        )}
        {share('Overhead', overhead, 5, (next) => set('Set the overhead', { overhead: next }))}
        {share('Contingency', contingency, 5, (next) => set('Set the contingency', { contingency: next }))}
        {share('Tax', tax, 1, (next) => set('Set the tax', { tax: next }))}
        <NameField
          label="Currency"
          value={currency}
          most={3}
          onCommit={(typed) => {
            const code = (typed ?? '').trim().toUpperCase();
            return isCurrency(code)
              ? set('Set the currency', { currency: code, ...(ownRates && { rates: inCurrency(ownRates, code) }) })
              : 'A currency is three letters, such as USD or EUR.';
          }}
          testID="price-currency"
        />
      </View>
    </Fields>
  );
}

/** How the price comes of its cost, to the cent. */
function Sums({ price }: { price: Price }) {
  const styles = useStyles(make);
  const { currency, cost, contingency, overhead, profit, rounded, tax, total } = price;
  const rows: [string, number][] = [
    ['Cost', cost],
    ['Contingency', contingency],
    ['Overhead', overhead],
    ['Profit', profit],
    ['Rounded up by', rounded],
    ['Price', price.price],
    ...(tax > 0
      ? ([
          ['Tax', tax],
          ['With tax', total],
        ] as [string, number][])
      : []),
  ];
  return (
    <View>
      {rows.map(([label, amount]) => (
        <View key={label} style={styles.sum}>
          <Text kind={label === 'Price' ? 'strong' : 'body'}>{label}</Text>
          <Text kind={label === 'Price' ? 'strong' : 'body'}>{money(amount, currency)}</Text>
        </View>
      ))}
    </View>
  );
}
