import type { Working } from '@katabasis/core';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { useState } from 'react';
import { View } from 'react-native';
import { useStyles } from '../theme/theme';
import { FONTS, SPACE, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

const make = (palette: Palette) => ({
  panel: { gap: SPACE.m, borderLeftWidth: 4, borderLeftColor: palette.ink, paddingLeft: SPACE.m },
  formula: { fontFamily: FONTS.figures },
});

/** The working of one figure: what it is, the formula, this job's numbers in it, the result, the source. */
export function WorkingPanel({ working: own, onBack }: { working: Working; onBack: () => void }) {
  const styles = useStyles(make);
  const [inMetric, setInMetric] = useState(false);
  const working = inMetric && own.metric ? own.metric : own;
  return (
    <View style={styles.panel} role="region" aria-label={`Working of ${working.title}`}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Text kind="heading">{working.title}</Text>
        <Button label="Back" icon={ArrowLeft} kind="bare" onPress={onBack} />
      </View>
      <Text>{working.says}</Text>
      <Text style={styles.formula}>{working.formula}</Text>
      <View style={{ gap: 4 }}>
        {working.numbers.map((line) => (
          <Text key={line} style={styles.formula}>
            {line}
          </Text>
        ))}
      </View>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 6 }}>
        <Text kind="hero">{working.result.value}</Text>
        <Text>{working.result.unit}</Text>
      </View>
      <Text kind="small">Source: {working.source}</Text>
      {own.metric && (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label={inMetric ? 'In feet and gallons' : 'The same in metric'}
            kind="bare"
            onPress={() => setInMetric(!inMetric)}
          />
        </View>
      )}
    </View>
  );
}
