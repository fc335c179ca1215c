/** How fast the ground takes water: a ribbon, a jar, or a hole. */
import { decimals, put, SOIL_FACTS, soilOfTest, type SoilTest } from '@katabasis/core';
import { View } from 'react-native';
import { Rect, Text as SvgText } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { OwnName } from '../../parts/forms/OwnName';
import { FONTS, SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Figure } from '../../ui/Figure';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import type { ElementView } from '../view';
import { minutesEntry, shareBetween, smallEntry } from '../../input/entry';

type Test = SoilTest['test'];

const FIRST: Record<Test['type'], Test> = {
  ribbon: { type: 'ribbon', length: 0.0254 },
  jar: { type: 'jar', sand: 0.4, silt: 0.4, clay: 0.2 },
  hole: { type: 'hole', radius: 0.1, readings: [] },
};

/** As a crew says it: how much an hour. */
const perHour = (conductivity: number, us: boolean) =>
  us
    ? { value: decimals((conductivity * 3600) / 0.0254, 2), unit: 'in/h' }
    : { value: decimals(conductivity * 3.6e6, 0), unit: 'mm/h' };

function Panel({ element }: { element: SoilTest }) {
  const { units } = useJob();
  const found = soilOfTest(element);
  return found === null ? (
    <Text tone="soft">Two readings of the hole, and the ground’s thirst is known.</Text>
  ) : (
    <View style={{ flexDirection: 'row', gap: SPACE.xl, flexWrap: 'wrap' }}>
      <Figure label="Takes" shown={perHour(found.conductivity, units === 'us')} size="hero" />
      <Figure label="As" shown={{ value: SOIL_FACTS[found.soil].label, unit: '' }} />
    </View>
  );
}

function Form({ element }: { element: SoilTest }) {
  const { edit, units } = useJob();
  const { test } = element;
  const set = (next: Test): string | null => edit(put('Set the test', { ...element, test: next }));
  return (
    <>
      <OwnName element={element} />
      <Choice
        label="How it was tested"
        value={test.type}
        options={[
          { value: 'ribbon', label: 'Ribbon', note: 'between thumb and finger' },
          { value: 'jar', label: 'Jar', note: 'settled overnight' },
          { value: 'hole', label: 'Hole', note: 'filled with water' },
        ]}
        onChoose={(type) => void (type === test.type || set(FIRST[type]))}
      />
      {test.type === 'ribbon' && (
        <QuantityField
          label="Ribbon before it breaks"
          value={test.length}
          {...smallEntry(units, 0, 1, 'A ribbon is')}
          onCommit={(length) => set({ ...test, length: length! })}
        />
      )}
      {test.type === 'jar' && (
        <View style={fieldRow}>
          {(['sand', 'silt', 'clay'] as const).map((layer) => (
            <QuantityField
              key={layer}
              label={layer[0]!.toUpperCase() + layer.slice(1)}
              value={test[layer]}
              {...shareBetween(0, 1, 'A layer is')}
              onCommit={(share) => set({ ...test, [layer]: share! })}
            />
          ))}
        </View>
      )}
      {test.type === 'hole' && <Hole test={test} set={set} />}
    </>
  );
}

type HoleTest = Extract<Test, { type: 'hole' }>;

/** Water that sinks in a hole, read from time to time. */
function Hole({ test, set }: { test: HoleTest; set: (next: Test) => string | null }) {
  const { units } = useJob();
  const change = (k: number, next: Partial<HoleTest['readings'][number]>): string | null =>
    set({ ...test, readings: test.readings.map((each, at) => (at === k ? { ...each, ...next } : each)) });
  return (
    <>
      <QuantityField
        label="Half across the hole"
        value={test.radius}
        {...smallEntry(units, 0.01, 2, 'A hole is')}
        onCommit={(radius) => set({ ...test, radius: radius! })}
      />
      {test.readings.map((reading, k) => (
        <View key={k} style={fieldRow}>
          <QuantityField
            label="After"
            name={`after ${k}`}
            value={reading.time}
            {...minutesEntry}
            onCommit={(time) => change(k, { time: time! })}
          />
          <QuantityField
            label="Water in the hole"
            name={`water ${k}`}
            value={reading.depth}
            {...smallEntry(units, 0, 10, 'Water is')}
            onCommit={(depth) => change(k, { depth: depth! })}
          />
          <Button
            label="Take it out"
            kind="bare"
            onPress={() => set({ ...test, readings: test.readings.filter((_, at) => at !== k) })}
          />
        </View>
      ))}
      <Button
        label="One more reading"
        onPress={() => {
          const last = test.readings.at(-1);
          set({
            ...test,
            readings: [...test.readings, { time: (last?.time ?? -600) + 600, depth: last?.depth ?? 0.3 }],
          });
        }}
      />
    </>
  );
}

export const soilTestView: ElementView<SoilTest> = {
  Form,
  Panel,
  list: {
    group: 'levels',
    about: (element) => {
      const found = soilOfTest(element);
      return { about: found === null ? 'not done yet' : SOIL_FACTS[found.soil].label.toLowerCase() };
    },
  },
  onPlan: (_, { spots: [at], ink, ground, chosen }) => (
    <>
      <Rect
        x={at!.x - 10}
        y={at!.y - 10}
        width={20}
        height={20}
        fill={ground}
        stroke={ink}
        strokeWidth={chosen ? 3.5 : 2}
      />
      <SvgText x={at!.x} y={at!.y + 5} textAnchor="middle" fontFamily={FONTS.bold} fontSize={13} fill={ink}>
        S
      </SvgText>
    </>
  ),
};
