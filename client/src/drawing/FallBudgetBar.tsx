import { LEAST_SHORT } from '../../../core/src/numeric/tolerance';
import { elementOf, nameOf, showSmall, text, type FallBudget, type Plan } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { useStyles } from '../theme/theme';
import { TOUCH, type Palette } from '../theme/tokens';
import { Press } from '../ui/Press';
import { Text } from '../ui/Text';

const make = (palette: Palette) => ({
  bar: { flexDirection: 'row' as const, height: 26, borderWidth: 1.5, borderColor: palette.ink, marginTop: 6 },
  stretch: { backgroundColor: palette.soil, borderRightWidth: 1.5, borderRightColor: palette.ink },
  step: { backgroundColor: palette.bank, borderRightWidth: 1.5, borderRightColor: palette.ink },
  whole: { minHeight: TOUCH, justifyContent: 'center' as const },
  left: { backgroundColor: palette.ground },
  over: { backgroundColor: palette.stop },
});

/** Millimetres as parts of the bar: parts that add up to less than one would leave it part empty. */
const grow = (fall: number): number => Math.max(0, fall * 1000);

interface Props {
  plan: Plan;
  budget: FallBudget;
  onPress: () => void;
  onStretch: (run: string) => void;
}

/** The whole drop there is, what each stretch of the tightest route needs of it, and what is left. */
export function FallBudgetBar({ plan, budget, onPress, onStretch }: Props) {
  const { job, units } = useJob();
  const styles = useStyles(make);
  const isLess = budget.left < -LEAST_SHORT;
  // A pop-up's line stands full to its lid, and that is as it should be; anything else runs out of fall.
  const full = isLess && elementOf(job, 'discharge', budget.discharge)?.form === 'popup';
  const short = isLess && !full;
  const left = showSmall(Math.abs(budget.left), units);
  const other = Math.max(0, budget.setDeeper) + Math.max(0, budget.growth);
  return (
    <View>
      <Press
        role="button"
        aria-label={`Fall budget: ${text(left)} ${short ? 'short' : full ? 'under the lid' : 'left'} of ${text(showSmall(budget.available, units))}: show the working`}
        onPress={onPress}
        style={styles.whole}
      >
        <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 6, flexWrap: 'wrap' }}>
          <Text kind="hero" {...(short ? { tone: 'stop' as const } : {})}>
            {left.value}
          </Text>
          <Text kind="body">
            {left.unit} {short ? 'of fall short' : full ? 'under the lid: the line stands full' : 'of fall to spare'}
          </Text>
          <Text kind="small">
            {budget.available < 0
              ? `${nameOf(job, budget.discharge)} lies ${text(showSmall(-budget.available, units))} too high for ${nameOf(job, budget.source)}`
              : `of ${text(showSmall(budget.available, units))}, ${nameOf(job, budget.source)} to ${nameOf(job, budget.discharge)}`}
          </Text>
        </View>
      </Press>
      <View style={styles.bar} role="group" aria-label="What each stretch needs">
        {budget.spent.map(({ run, fall }) => (
          <Press
            key={run}
            role="button"
            aria-label={`${nameOf(job, run)} needs ${text(showSmall(fall, units))}`}
            onPress={() => onStretch(run)}
            style={[styles.stretch, { flexGrow: grow(fall), flexBasis: 0, minWidth: 3 }]}
          />
        ))}
        {other > 0.0005 && <View style={[styles.step, { flexGrow: grow(other), flexBasis: 0 }]} />}
        <View
          style={[
            short ? styles.over : styles.left,
            { flexGrow: grow(Math.abs(budget.left)), flexBasis: 0, minWidth: short ? 6 : 0 },
          ]}
        />
      </View>
      <Text kind="small" style={{ marginTop: 2 }}>
        {budget.spent
          .map(
            ({ run, fall }) =>
              `${plan.runs[run] ? nameOf(job, plan.runs[run].from) : run}: ${text(showSmall(fall, units))}`,
          )
          .join(' · ')}
        {other > 0.0005 ? ` · larger pipe: ${text(showSmall(other, units))}` : ''}
      </Text>
    </View>
  );
}
