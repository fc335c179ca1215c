/**
 * What is said beside the descent. What can be tapped stands still while a landing is dragged; only the leaves in it, which ask for
 * the job as shown themselves, are drawn again, and of those only the ones whose words change.
 */
import {
  invertSetAt,
  MATERIAL_FACTS,
  nameOf,
  showFlow,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  showSmall,
  text,
} from '@katabasis/core';
import { memo, useCallback, useId } from 'react';
import { Pressable, View } from 'react-native';
import { useKept, useShown, type OpenJob } from '../data/useJob';
import { useNarrow, useStyles } from '../theme/theme';
import { type Palette } from '../theme/tokens';
import { Mark } from '../ui/Mark';
import { Text } from '../ui/Text';
import { Bubble } from './Bubble';
import { Eye } from './Eye';

const make = (palette: Palette) => ({
  landing: {
    minHeight: 44,
    justifyContent: 'center' as const,
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: 8,
  },
  run: {
    minHeight: 72,
    paddingVertical: 6,
    paddingHorizontal: 8,
    marginLeft: -8,
    justifyContent: 'center' as const,
    gap: 2,
    borderRadius: 4,
    borderWidth: 1.5,
    borderColor: 'transparent',
  },
  chosen: { backgroundColor: palette.bank, borderColor: palette.ink },
  beside: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: 10 },
  lines: { flex: 1, gap: 3 },
  line: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: 8 },
  // Of set size: a figure that changes lays out nothing but itself.
  pitch: { fontSize: 16, width: 66, height: 22, flexShrink: 0, ...({ contain: 'size layout style' } as object) },
  about: { height: 38, ...({ contain: 'size layout style' } as object) },
  whole: { flexShrink: 0 },
  name: { flex: 1 },
  underlined: { textDecorationLine: 'underline' as const },
});

interface Props {
  id: string;
  chosen: boolean;
  onChoose: (id: string) => void;
}

/** The mark of the worst snag that stands at an element. */
function WorstMark({ id }: { id: string }) {
  const { worst } = useShown(
    useCallback(({ plan }: OpenJob) => ({ worst: plan.snags.find((snag) => snag.at === id)?.severity }), [id]),
  );
  return worst ? <Mark kind={worst} /> : null;
}

export const LandingWords = memo(function LandingWords({ id, chosen, onChoose }: Props) {
  const { job, plan, units } = useKept();
  const styles = useStyles(make);
  const landing = plan.landings[id];
  // The words have half of an upright phone's width: what stands elsewhere too is left out, and a figure and its unit never part.
  const narrow = useNarrow();
  if (!landing) return null;
  const about = [
    landing.kind === 'discharge'
      ? `out ${text(showFlow(landing.passing, units))}`
      : landing.entering > 0
        ? `in ${text(showFlow(landing.entering, units))}`
        : null,
    narrow && landing.entering > 0 ? null : `ground ${text(showLevel(landing.groundLevel, units))}`,
    invertSetAt(job, id) === undefined ? null : 'set by you',
  ].filter((part) => part !== null);
  return (
    <Pressable
      role="button"
      aria-label={`${nameOf(job, id)}, ${about.join(', ')}`}
      onPress={() => onChoose(id)}
      style={styles.landing}
      testID={`landing-${id}`}
    >
      <View style={styles.name}>
        <Text kind="strong" numberOfLines={1} style={chosen ? styles.underlined : null}>
          {nameOf(job, id)}
        </Text>
        <Text kind="small" numberOfLines={1}>
          {about.join(' · ')}
        </Text>
      </View>
      <WorstMark id={id} />
    </Pressable>
  );
});

export const RunWords = memo(function RunWords({ id, chosen, onChoose }: Props) {
  const { job, plan, units } = useKept();
  const styles = useStyles(make);
  const figures = useId();
  const run = plan.runs[id];
  if (!run) return null;
  const size = text(showNominal(run.nominal, units));
  return (
    <Pressable
      role="button"
      aria-label={`${nameOf(job, id)}: ${size} ${MATERIAL_FACTS[run.material].label}, ${text(showFlow(run.flow, units))}`}
      aria-describedby={figures}
      onPress={() => onChoose(id)}
      style={[styles.run, chosen && styles.chosen]}
      testID={`run-${id}`}
    >
      <RunFigures id={id} nativeID={figures} />
    </Pressable>
  );
});

const to = (value: number, step: number): number => Math.round(value / step) * step;

/** The figures of a run in plain words: what stays the same is not drawn again. Half a pixel of the eye and of the bubble is enough. */
function figuresOf({ plan, units }: OpenJob, id: string) {
  const run = plan.runs[id];
  if (!run) return { missing: true as const };
  const flow = showFlow(run.flow, units);
  const { cover } = run;
  return {
    missing: false as const,
    value: flow.value,
    unit: flow.unit,
    size: text(showNominal(run.nominal, units)),
    overloaded: run.overloaded,
    filled: to(run.depthRatio, 0.02),
    bubble: to(run.pitch, 0.001),
    linePitch: plan.settings.levelLinePitch,
    pitch: text(showPitch(run.pitch)),
    flat: run.pitch < run.leastPitch - 1e-6,
    about: `${MATERIAL_FACTS[run.material].short}, ${text(showLength(run.length, units))}, drops ${text(showSmall(run.drop, units))}, cover ${text(showSmall(cover, units))}`,
  };
}

function RunFigures({ id, nativeID }: { id: string; nativeID: string }) {
  const styles = useStyles(make);
  const narrow = useNarrow();
  const figures = useShown(useCallback((shown: OpenJob) => figuresOf(shown, id), [id]));
  if (figures.missing) return null;
  const { value, unit, size, overloaded, filled, bubble, linePitch, pitch, flat, about } = figures;
  return (
    <View nativeID={nativeID}>
      <View style={styles.beside}>
        <Eye depthRatio={filled} overloaded={overloaded} size={46} />
        <View style={styles.lines}>
          <Carries id={id} value={value} unit={unit} size={narrow ? null : size} overloaded={overloaded} />
          <View style={styles.line}>
            <Bubble pitch={bubble} linePitch={linePitch} width={narrow ? 40 : 72} />
            <Text kind="figure" style={styles.pitch} {...(flat ? { tone: 'stop' as const } : {})}>
              {pitch}
            </Text>
          </View>
        </View>
      </View>
      <Text kind="small" style={styles.about}>
        {narrow ? `${size} ${about}` : about}
      </Text>
    </View>
  );
}

const Carries = memo(function Carries({
  id,
  value,
  unit,
  size,
  overloaded,
}: {
  id: string;
  value: string;
  unit: string;
  size: string | null;
  overloaded: boolean;
}) {
  const styles = useStyles(make);
  return (
    <View style={styles.line}>
      <Text kind="figure" numberOfLines={1} style={styles.whole} {...(overloaded ? { tone: 'fix' as const } : {})}>
        {value}
        <Text kind="unit"> {unit}</Text>
      </Text>
      {size !== null && <Text kind="strong">{size}</Text>}
      <WorstMark id={id} />
    </View>
  );
});
