/** What the truck of a day carries. */
import { loadWords, type Load } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { SPACE, TOUCH } from '../../theme/tokens';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';

const row = { flexDirection: 'row', gap: SPACE.m, paddingVertical: 2 } as const;

/** What is loaded for a day: one line until it is opened, then thing by thing. */
export function Truck({ machines, loads }: { machines: readonly string[]; loads: readonly Load[] }) {
  const { units } = useJob();
  const [open, setOpen] = useState(false);
  if (loads.length === 0 && machines.length === 0) return null;
  const said = loads.map((load) => ({ ...loadWords(load, units), pipe: load.pack !== undefined }));
  const pipe = said.filter((each) => each.pipe).map(({ label, amount }) => `${amount} of ${label}`);
  const others = said.length - pipe.length;
  const brief = [
    ...machines,
    ...pipe,
    ...(others > 0 ? [others === 1 ? '1 thing more' : `${others} things more`] : []),
  ].join(', ');
  return (
    <View>
      <Press
        role="button"
        aria-expanded={open}
        onPress={() => setOpen((now) => !now)}
        style={{ minHeight: TOUCH, justifyContent: 'center' }}
        testID="on-truck"
      >
        <Text kind="small">On the truck: {brief}.</Text>
      </Press>
      {open &&
        said.map(({ label, amount }) => (
          <View key={label} style={row}>
            <View style={{ flex: 1 }}>
              <Text kind="small">{label}</Text>
            </View>
            <Text kind="small">{amount}</Text>
          </View>
        ))}
    </View>
  );
}
