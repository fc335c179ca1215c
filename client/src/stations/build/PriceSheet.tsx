/** What it costs and what is asked: every line dearest first, each rate the job's own for the typing. */
import {
  amountOf,
  defined,
  headOf,
  isCurrency,
  leastUnits,
  lineLabel,
  METRES_PER_FOOT,
  money,
  priceOf,
  pricesOf,
  put,
  rateUnit,
  text,
  type JobElement,
  type Price,
  type PriceLine,
  type TakeOff,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useKept } from '../../planning/useJob';
import { NameField, QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { shareBetween } from '../../input/entry';
import { moneyEntry } from '../../input/moneyEntry';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Figure } from '../../ui/Figure';
import { Press } from '../../ui/Press';
import { fieldRow, figureRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { PriceBooks } from './PriceBooks';
import { PriceConditions } from './PriceConditions';

const make = (palette: Palette) => ({
  line: { borderTopWidth: 1, borderTopColor: palette.line, minHeight: TOUCH + 8, justifyContent: 'center' as const },
  head: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.m, paddingTop: SPACE.xs },
  /** How much of the dearest line it is. */
  bar: { height: 4, backgroundColor: palette.ink, marginBottom: SPACE.xs },
  sum: { flexDirection: 'row' as const, justifyContent: 'space-between' as const, gap: SPACE.m, minHeight: 32 },
});

type Own = NonNullable<JobElement['prices']>;

/** Puts something in the job's own prices; undefined takes it out again. */
function usePrices(): (label: string, next: { [K in keyof Own]?: Own[K] | undefined }) => string | null {
  const { job, edit } = useKept();
  return (label, next) => {
    const head = headOf(job);
    const prices = defined({ ...head.prices, ...next });
    return edit(put(label, { ...head, prices } as JobElement));
  };
}

export function PriceSheet({ taken }: { taken: TakeOff }) {
  const { job, units } = useKept();
  const price = useMemo(() => priceOf(job, taken), [job, taken]);
  const [open, setOpen] = useState<string | null>(null);
  const { currency } = price;
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
            open={open === line.key}
            onToggle={() => setOpen((now) => (now === line.key ? null : line.key))}
          />
        ))}
      </View>
      <Sums price={price} />
      <PriceBooks taken={taken} />
      <Text kind="small">
        The rates are invented ones until you put in your own: tap a line. Cost and margin are yours; a customer sees
        the price.
      </Text>
    </View>
  );
}

/** The shares that make a price of a cost. */
function Book() {
  const { job } = useKept();
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

interface LineProps {
  line: PriceLine;
  price: Price;
  label: string;
  open: boolean;
  onToggle: () => void;
}

function Line({ line, price, label, open, onToggle }: LineProps) {
  const styles = useStyles(make);
  const { job, units } = useKept();
  const set = usePrices();
  const { currency, lines } = price;
  const { per, said } = rateUnit(line.unit, units);
  const own = pricesOf(job).rates;
  const change = (rate: number | undefined): string | null => {
    if (line.extra !== undefined) {
      const others = pricesOf(job).extras.filter(({ name }) => name !== line.extra);
      const kept = rate === undefined ? others : [...others, { name: line.extra, amount: Math.round(rate) }];
      return set(`Charge ${line.extra}`, { extras: kept });
    }
    const rates = { ...own };
    if (rate === undefined) delete rates[line.key];
    else rates[line.key] = rate;
    return set(`Set the rate of ${label.toLowerCase()}`, { rates });
  };
  const amount = money(line.amount, currency);
  return (
    <View style={styles.line}>
      <Press
        role="button"
        aria-expanded={open}
        aria-label={`${label}: ${amount}`}
        onPress={onToggle}
        style={{ minHeight: TOUCH, justifyContent: 'center' }}
        testID={`price-${line.work ?? 'part'}`}
      >
        <View style={styles.head}>
          <View style={{ flex: 1 }}>
            <Text>{label}</Text>
          </View>
          <Text kind="strong">{amount}</Text>
        </View>
        <View
          style={[styles.bar, { width: `${Math.max(0.5, (100 * line.amount) / Math.max(1, lines[0]!.amount))}%` }]}
        />
      </Press>
      {open && (
        <View style={{ paddingBottom: SPACE.m, gap: SPACE.s }}>
          <Text>
            {text(amountOf(line.quantity, line.unit, units))} at {money(Math.round(line.rate * per), currency)} {said}
            {line.own ? ', your own rate' : ', a usual rate'}
          </Text>
          <Fields of={null}>
            <QuantityField
              label={`Your rate, ${said}`}
              value={line.own ? line.rate : undefined}
              {...moneyEntry(leastUnits(currency), per)}
              optional
              usual={money(Math.round(line.rate * per), currency)}
              onCommit={change}
              testID="price-rate"
            />
          </Fields>
        </View>
      )}
    </View>
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
