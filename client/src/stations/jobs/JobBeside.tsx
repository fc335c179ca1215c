/** On a wide screen, beside the list: the job that is pointed at, its sketch as large as there is room, its price and its days. */
import type { JobRow } from '@katabasis/core/first';
import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { figureRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { dayOf, daysOf } from './moments';
import { SketchOfJob } from './SketchOfJob';

const make = (palette: Palette) => ({
  pane: { width: '42%' as const, flexGrow: 0, borderLeftWidth: 1, borderLeftColor: palette.line },
  body: { padding: SPACE.xl, gap: SPACE.l },
});

/** As wide as the pane leaves it on the narrowest wide screen, px. */
const SKETCH = { width: 330, height: 260 };

export function JobBeside({ row }: { row: JobRow }) {
  const styles = useStyles(make);
  const router = useRouter();
  const { verdict, glance } = row;
  return (
    <ScrollView style={styles.pane} contentContainerStyle={styles.body} role="region" aria-label={row.name}>
      {glance?.sketch && <SketchOfJob sketch={glance.sketch} {...SKETCH} />}
      <View style={{ gap: SPACE.xs }}>
        <Text kind="title">{row.name}</Text>
        <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-start' }}>
          {verdict && <Mark kind={verdict.state} size={24} />}
          <Text style={{ flex: 1 }}>{verdict?.sentence ?? row.trouble ?? 'Its verdict is being worked out.'}</Text>
        </View>
      </View>
      {glance && (
        <View style={figureRow}>
          <Told label="Price" shown={glance.price} />
          <Told label="Work" shown={daysOf(glance.days)} />
          {glance.starts !== undefined && <Told label="Begins" shown={dayOf(glance.starts)} />}
          {glance.asks > 0 && <Told label="Clearances" shown={`${glance.asks} to ask`} />}
        </View>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Open it" onPress={() => router.navigate(`/job/${row.id}/plan`)} />
        <Button label="What to build" kind="bare" onPress={() => router.navigate(`/job/${row.id}/build`)} />
      </View>
    </ScrollView>
  );
}

const Told = ({ label, shown }: { label: string; shown: string }) => (
  <View>
    <Text kind="small">{label}</Text>
    <Text kind="heading" role="none">
      {shown}
    </Text>
  </View>
);
