/** One part of the take-off: how much to buy, large; tapped, how that came and the places that it is for. */
import { buyOf, partLabel, partWorking, type Part } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { usePlanBeside, usePointed } from './beside/pointed';
import { WhereOnPlan } from './beside/WhereOnPlan';

const make = (palette: Palette) => ({
  part: { borderTopWidth: 1, borderTopColor: palette.line },
  head: {
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: SPACE.m,
    minHeight: TOUCH + 8,
    paddingVertical: SPACE.xs,
  },
  amount: {
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    justifyContent: 'flex-end' as const,
    alignItems: 'baseline' as const,
    gap: 4,
    maxWidth: '45%' as const,
  },
  open: { paddingLeft: SPACE.l, paddingBottom: SPACE.m },
  line: {
    flexDirection: 'row' as const,
    justifyContent: 'space-between' as const,
    alignItems: 'center' as const,
    gap: SPACE.m,
    minHeight: TOUCH,
  },
});

interface Props {
  part: Part;
  open: boolean;
  onToggle: () => void;
  /** Goes to a place that it is for. */
  onGo: (id: string) => void;
}

export function PartRow({ part, open, onToggle, onGo }: Props) {
  const styles = useStyles(make);
  const { job, units } = useJob();
  const { uses } = part;
  const pointed = usePointed(useMemo(() => ({ ids: uses.map(({ id }) => id) }), [uses]));
  const beside = usePlanBeside();
  const label = partLabel(part.item, units);
  const { value, unit } = buyOf(part, units);
  const lines = open ? partWorking(job, part) : [];
  return (
    <View style={styles.part} {...pointed}>
      <Press
        role="button"
        aria-label={`${label}: ${value} ${unit}`.trim()}
        aria-expanded={open}
        onPress={onToggle}
        style={styles.head}
        testID={`part-${part.item.type}`}
      >
        <View style={{ flex: 1 }}>
          <Text>{label}</Text>
        </View>
        <View style={styles.amount}>
          <Text kind="figure">{value}</Text>
          {unit !== '' && <Text kind="unit">{unit}</Text>}
        </View>
      </Press>
      {open && (
        <View style={styles.open}>
          {!beside && <WhereOnPlan ids={part.uses.map(({ id }) => id)} />}
          {lines.map((line, k) => {
            const use = part.uses[k];
            const words = (
              <>
                <View style={{ flex: 1 }}>
                  <Text>{line.label}</Text>
                </View>
                <Text kind="strong">
                  {line.shown.value}
                  {line.shown.unit === '' ? '' : ` ${line.shown.unit}`}
                </Text>
              </>
            );
            return use ? (
              <Press
                key={k}
                role="link"
                aria-label={`Go to ${line.label}`}
                onPress={() => onGo(use.id)}
                style={styles.line}
              >
                {words}
              </Press>
            ) : (
              <View key={k} style={styles.line}>
                {words}
              </View>
            );
          })}
        </View>
      )}
    </View>
  );
}
