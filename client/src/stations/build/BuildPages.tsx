/** The pages of Build: a list with what stands in each, and a strip from one to the next. */
import { digLines, many, money, ofKind, priceOf, type Job, type Plan, type TakeOff } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { useSchedule } from './useSchedule';

/** In the order that they are worked through; but for the list of them in the address, so that a reload comes back to it. */
const PAGES = [
  { name: 'part', label: 'Parts', title: 'Parts and earth' },
  { name: 'place', label: 'By place', title: 'Parts and earth' },
  { name: 'price', label: 'Price', title: 'Price' },
  { name: 'ways', label: 'Ways to build', title: 'Ways to build it' },
  { name: 'proposed', label: 'Proposals', title: 'Whole plans, proposed' },
  { name: 'options', label: 'Options', title: 'Options' },
  { name: 'clear', label: 'Clearances', title: 'Clearances' },
  { name: 'days', label: 'Days', title: 'Days' },
  { name: 'dig', label: 'Dig sheet', title: 'Dig sheet' },
  { name: 'tables', label: 'Tables', title: 'Tables' },
  { name: 'paper', label: 'Paper', title: 'On paper and in files' },
] as const;
/** Pages that are about money: they stand for those only who see prices. */
export const OF_MONEY: ReadonlySet<string> = new Set(['price', 'proposed', 'options']);
export type PageName = (typeof PAGES)[number]['name'];

/** The page that an address opens; null for none of them. */
export const pageAt = (at: string | null): (typeof PAGES)[number] | null =>
  PAGES.find(({ name }) => at === `~${name}`) ?? null;

const make = (palette: Palette) => ({
  row: {
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: SPACE.m,
    minHeight: TOUCH + 8,
    paddingHorizontal: SPACE.s,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    borderLeftWidth: 4,
    borderLeftColor: 'transparent',
  },
  here: { borderLeftColor: palette.ink, backgroundColor: palette.bank },
});

/** What stands in each page, in a word or two. */
function useFigures(job: Job, plan: Plan, taken: TakeOff): Partial<Record<PageName, string>> {
  const { stands, days } = useSchedule(taken);
  const open = stands.filter(({ clearance }) => clearance === null).length;
  const price = useMemo(() => priceOf(job, taken), [job, taken]);
  const lines = useMemo(() => digLines(job, plan).length, [job, plan]);
  const others = ofKind(job, 'variant').length;
  return {
    part: many(taken.parts.length, 'part'),
    price: money(price.price, price.currency),
    ...(others > 0 ? { options: many(others + 1, 'plan') } : {}),
    clear: open > 0 ? `${open} to ask` : 'all asked',
    days: many(days.length, 'day'),
    dig: many(lines, 'line'),
  };
}

/** The pages of whoever uses this device. */
function usePages(): readonly (typeof PAGES)[number][] {
  const seesPrices = useMay('prices');
  return seesPrices ? PAGES : PAGES.filter(({ name }) => !OF_MONEY.has(name));
}

interface PagesProps {
  taken: TakeOff;
  at: PageName | null;
  onChoose: (name: PageName) => void;
}

export function BuildPages({ taken, at, onChoose }: PagesProps) {
  const styles = useStyles(make);
  const { job, plan } = useJob();
  const figures = useFigures(job, plan, taken);
  const pages = usePages();
  return (
    <View role="radiogroup" aria-label="Build">
      {pages.map(({ name, label }) => (
        <Press
          key={name}
          role="radio"
          aria-checked={name === at}
          aria-label={figures[name] === undefined ? label : `${label}: ${figures[name]}`}
          onPress={() => onChoose(name)}
          style={[styles.row, name === at && styles.here]}
          testID={`page-${name}`}
        >
          <View style={{ flex: 1 }}>
            <Text kind={name === at ? 'strong' : 'body'}>{label}</Text>
          </View>
          {figures[name] !== undefined && <Text kind="small">{figures[name]}</Text>}
        </Press>
      ))}
    </View>
  );
}

interface StripProps {
  at: PageName;
  onChoose: (name: PageName) => void;
  onAll: () => void;
}

/** From a page to any other, on one line; and back to the list of them. */
export function PageStrip({ at, onChoose, onAll }: StripProps) {
  const pages = usePages();
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row' }}>
        <Button label="All of Build" kind="bare" onPress={onAll} />
      </View>
      <Choice
        label="Page"
        hideLabel
        strip
        value={at}
        options={pages.map(({ name, label }) => ({ value: name, label }))}
        onChoose={onChoose}
      />
    </View>
  );
}
