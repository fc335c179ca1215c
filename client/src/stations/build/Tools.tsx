/** The tools that a job asks for, and what a rented one costs for the days that it is there. */
import {
  leastUnits,
  machineDays,
  money,
  pricesOf,
  RENTABLE,
  toolsOf,
  toolWords,
  type Rentable,
  type TakeOff,
} from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { moneyEntry } from '../../input/moneyEntry';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Text } from '../../ui/Text';
import { usePrices } from './PriceLine';

const make = (palette: Palette) => ({
  tool: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.s, gap: SPACE.xs },
});

const isRentable = (type: string): type is Rentable => (RENTABLE as readonly string[]).includes(type);

export function Tools({ taken }: { taken: TakeOff }) {
  const styles = useStyles(make);
  const { job } = useJob();
  const set = usePrices();
  const tools = useMemo(() => toolsOf(job, taken), [job, taken]);
  const days = useMemo(() => machineDays(job, taken), [job, taken]);
  const { currency, rented } = pricesOf(job);
  const seesPrices = useMay('prices');
  if (tools.length === 0) return null;
  const rent = (tool: Rentable, rate: number | undefined): string | null => {
    const { [tool]: _before, ...others } = rented;
    return set(`Rent: ${tool}`, { rented: rate === undefined ? others : { ...others, [tool]: Math.round(rate) } });
  };
  return (
    <View testID="tools">
      <Text kind="heading">Tools</Text>
      {tools.map((tool) => {
        const { type } = tool;
        const wanted = isRentable(type) ? days[type] : undefined;
        return (
          <View key={type} style={styles.tool}>
            <Text>{toolWords(job, tool)}</Text>
            {seesPrices && isRentable(type) && wanted !== undefined && (
              <Fields of={null}>
                <QuantityField
                  label="Rented, a day"
                  value={rented[type]}
                  {...moneyEntry(leastUnits(currency), 1)}
                  optional
                  usual="own"
                  hint={
                    rented[type] === undefined
                      ? `Wanted for ${wanted} ${wanted === 1 ? 'day' : 'days'}; the firm’s own, it is in the rates`
                      : `${wanted} ${wanted === 1 ? 'day' : 'days'}: ${money(wanted * rented[type], currency)} in the price`
                  }
                  onCommit={(rate) => rent(type, rate)}
                  testID={`rent-${type}`}
                />
              </Fields>
            )}
          </View>
        );
      })}
    </View>
  );
}
