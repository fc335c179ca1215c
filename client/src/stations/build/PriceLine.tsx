/** One line of the price, opened to its rate. */
import {
  amountOf,
  defined,
  elementOf,
  headOf,
  leastUnits,
  money,
  paidFor,
  pricesOf,
  put,
  rateUnit,
  text,
  type JobElement,
  type Price,
  type PriceLine,
  type TakeOff,
} from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { without } from '../../input/without';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { moneyEntry } from '../../input/moneyEntry';
import { usePointed } from './beside/pointed';

const make = (palette: Palette) => ({
  line: { borderTopWidth: 1, borderTopColor: palette.line, minHeight: TOUCH + 8, justifyContent: 'center' as const },
  head: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.m, paddingTop: SPACE.xs },
  /** How much of the dearest line it is. */
  bar: { height: 4, backgroundColor: palette.ink, marginBottom: SPACE.xs },
});

type Own = NonNullable<JobElement['prices']>;

/** Puts something in the job's own prices; undefined takes it out again. */
export function usePrices(): (label: string, next: { [K in keyof Own]?: Own[K] | undefined }) => string | null {
  const { job, edit } = useJob();
  return (label, next) => {
    const head = headOf(job);
    const prices = defined({ ...head.prices, ...next });
    return edit(put(label, { ...head, prices } as JobElement));
  };
}

interface LineProps {
  line: PriceLine;
  price: Price;
  label: string;
  taken: TakeOff;
  open: boolean;
  onToggle: () => void;
}

export function Line({ line, price, label, taken, open, onToggle }: LineProps) {
  const styles = useStyles(make);
  const pointed = usePointed(useMemo(() => ({ ids: paidFor(line, taken) }), [line, taken]));
  const { job, edit, units } = useJob();
  const set = usePrices();
  const { currency, lines } = price;
  const { per, said } = rateUnit(line.unit, units);
  const own = pricesOf(job).rates;
  const change = (rate: number | undefined): string | null => {
    const note = line.note === undefined ? undefined : elementOf(job, 'note', line.note);
    if (note) return edit(put('Price an extra', without(note, 'amount', rate === undefined ? rate : Math.round(rate))));
    if (line.extra !== undefined) {
      const others = pricesOf(job).extras.filter(({ name }) => name !== line.extra);
      const kept = rate === undefined ? others : [...others, { name: line.extra, amount: Math.round(rate) }];
      return set(`Charge ${line.extra}`, { extras: kept });
    }
    if (line.rented !== undefined) {
      const { [line.rented]: _before, ...others } = pricesOf(job).rented;
      return set(`Rent: ${label.toLowerCase()}`, {
        rented: rate === undefined ? others : { ...others, [line.rented]: Math.round(rate) },
      });
    }
    const rates = { ...own };
    if (rate === undefined) delete rates[line.key];
    else rates[line.key] = rate;
    return set(`Set the rate of ${label.toLowerCase()}`, { rates });
  };
  const amount = money(line.amount, currency);
  return (
    <View style={styles.line} {...pointed}>
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
