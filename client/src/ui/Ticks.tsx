/** Things of which any may be ticked, as chips. */
import { View } from 'react-native';
import { useStyles } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { chip, chosenChip } from './chip';
import { Press } from './Press';
import { Text } from './Text';

const make = (palette: Palette) => ({ chip: chip(palette), on: chosenChip(palette) });

interface Props<V extends string> {
  label: string;
  options: readonly { value: V; label: string; testID?: string }[];
  ticked: readonly string[];
  onToggle: (value: V) => void;
}

export function Ticks<V extends string>({ label, options, ticked, onToggle }: Props<V>) {
  const styles = useStyles(make);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="small">{label}</Text>
      <View role="group" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {options.map(({ value, label: name, testID }) => {
          const on = ticked.includes(value);
          return (
            <Press
              key={value}
              role="checkbox"
              aria-checked={on}
              aria-label={name}
              onPress={() => onToggle(value)}
              style={[styles.chip, on && styles.on]}
              {...(testID === undefined ? {} : { testID })}
            >
              <Text kind={on ? 'strong' : 'body'}>{name}</Text>
            </Press>
          );
        })}
      </View>
    </View>
  );
}
