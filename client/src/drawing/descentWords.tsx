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
  type Plan,
  type Severity,
} from '@katabasis/core';
import { memo, useCallback, useId } from 'react';
import { View } from 'react-native';
import { useJobPart, usePreviewOf, type OpenJob } from '../planning/useJob';
import { useStyles } from '../theme/theme';
import { type Palette } from '../theme/tokens';
import { Mark } from '../ui/Mark';
import { Press } from '../ui/Press';
import { Text } from '../ui/Text';
import { Bubble } from './Bubble';
import { BESIDE, BUBBLE, EYE, GRIP, MARK, RUN_PAD, type LandingSaid, type RunSaid } from './descentMeasures';
import { Eye } from './Eye';

const make = (palette: Palette) => ({
  landing: {
    minHeight: GRIP,
    marginRight: GRIP,
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: BESIDE,
  },
  name: { flex: 1 },
  levels: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, alignItems: 'baseline' as const, columnGap: 8 },
  run: {
    paddingVertical: RUN_PAD - 1.5,
    paddingHorizontal: 4.5,
    borderRadius: 4,
    borderWidth: 1.5,
    borderColor: 'transparent',
  },
  chosen: { backgroundColor: palette.bank, borderColor: palette.ink },
  beside: { flexDirection: 'row' as const, gap: BESIDE },
  figures: { flex: 1, flexDirection: 'row' as const, flexWrap: 'wrap' as const, columnGap: 14, rowGap: 4 },
  figure: { flexDirection: 'row' as const, alignItems: 'baseline' as const },
  mark: { width: MARK },
  underlined: { textDecorationLine: 'underline' as const },
});

interface Props {
  id: string;
  chosen: boolean;
  onChoose: (id: string) => void;
}

/** Words that never part, one after another. */
const listed = (parts: readonly (string | null)[]): string =>
  parts
    .filter((part) => part !== null)
    .map((part) => part.replaceAll(' ', '\u00a0'))
    .join(', ');

/** How bad the worst snag is that stands at an element; null without one. */
const worstAt = (plan: Plan, id: string): Severity | null =>
  plan.snags.find((snag) => snag.at === id)?.severity ?? null;

/** What is said of a landing beside its level; null where there is none. */
function aboutLanding({ job, plan, units }: OpenJob, id: string): Pick<LandingSaid, 'name' | 'about'> | null {
  const landing = plan.landings[id];
  if (!landing) return null;
  const flow =
    landing.kind === 'discharge'
      ? `out ${text(showFlow(landing.passing, units))}`
      : landing.entering > 0
        ? `in ${text(showFlow(landing.entering, units))}`
        : null;
  return {
    name: nameOf(job, id),
    about: listed([
      flow,
      landing.invert === null ? null : `ground ${text(showLevel(landing.groundLevel, units))}`,
      invertSetAt(job, id) === undefined ? null : 'set by you',
    ]),
  };
}

/** All that is said of a landing, for who lays it out. */
export function landingSaid(open: OpenJob, id: string): LandingSaid | null {
  const said = aboutLanding(open, id);
  if (!said) return null;
  const { plan, units } = open;
  const { invert, groundLevel } = plan.landings[id]!;
  return { ...said, marked: worstAt(plan, id) !== null, level: text(showLevel(invert ?? groundLevel, units)) };
}

const to = (value: number, step: number): number => Math.round(value / step) * step;

/** What is said of a run, and its pictures: half a pixel of the eye and of the bubble is enough. */
export function runSaid({ plan, units }: OpenJob, id: string) {
  const run = plan.runs[id];
  if (!run) return { missing: true as const };
  const flow = showFlow(run.flow, units);
  const said: RunSaid = {
    value: flow.value,
    unit: flow.unit,
    pitch: showPitch(run.pitch).value,
    made: `${text(showNominal(run.nominal, units))} ${MATERIAL_FACTS[run.material].short}`.replaceAll(' ', '\u00a0'),
    about: listed([
      `${text(showLength(run.length, units))} long`,
      `drops ${text(showSmall(run.drop, units))}`,
      `cover ${text(showSmall(run.cover, units))}`,
    ]),
  };
  return {
    missing: false as const,
    ...said,
    overloaded: run.overloaded,
    filled: to(run.depthRatio, 0.02),
    bubble: to(run.pitch, 0.001),
    linePitch: plan.settings.levelLinePitch,
    flat: run.pitch < run.leastPitch - 1e-6,
    worst: worstAt(plan, id),
  };
}

/** The mark of the worst snag that stands at an element. */
function WorstMark({ id }: { id: string }) {
  const { worst } = usePreviewOf(useCallback(({ plan }: OpenJob) => ({ worst: worstAt(plan, id) }), [id]));
  return worst ? <Mark kind={worst} size={MARK} /> : null;
}

const NOT_THERE = { name: '', about: '' };

interface LandingProps extends Props {
  /** Its level as shown: that under the finger while it is dragged. */
  level: string;
}

export const LandingWords = memo(function LandingWords({ id, level, chosen, onChoose }: LandingProps) {
  const styles = useStyles(make);
  const said = useJobPart(useCallback((made: OpenJob) => aboutLanding(made, id) ?? NOT_THERE, [id]));
  if (said === NOT_THERE) return null;
  return (
    <Press
      role="button"
      aria-label={`${said.name}, ${level}, ${said.about}`}
      onPress={() => onChoose(id)}
      style={styles.landing}
      testID={`landing-${id}`}
    >
      <View style={styles.name}>
        <Text kind="strong" style={chosen ? styles.underlined : null}>
          {said.name}
        </Text>
        <View style={styles.levels}>
          <Text kind="strong">{level}</Text>
          {said.about !== '' && <Text kind="small">{said.about}</Text>}
        </View>
      </View>
      <WorstMark id={id} />
    </Press>
  );
});

/** A run in a few words, for who hears it rather than sees it. */
function runLabel({ job, plan, units }: OpenJob, id: string): string | null {
  const run = plan.runs[id];
  if (!run) return null;
  return `${nameOf(job, id)}: ${text(showNominal(run.nominal, units))} ${MATERIAL_FACTS[run.material].label}, ${text(showFlow(run.flow, units))}`;
}

export const RunWords = memo(function RunWords({ id, chosen, onChoose }: Props) {
  const styles = useStyles(make);
  const figures = useId();
  const { label } = useJobPart(useCallback((made: OpenJob) => ({ label: runLabel(made, id) }), [id]));
  if (label === null) return null;
  return (
    <Press
      role="button"
      aria-label={label}
      aria-describedby={figures}
      onPress={() => onChoose(id)}
      style={[styles.run, chosen && styles.chosen]}
      testID={`run-${id}`}
    >
      <RunFigures id={id} nativeID={figures} />
    </Press>
  );
});

function RunFigures({ id, nativeID }: { id: string; nativeID: string }) {
  const styles = useStyles(make);
  const said = usePreviewOf(useCallback((shown: OpenJob) => runSaid(shown, id), [id]));
  if (said.missing) return null;
  const { overloaded, flat, worst } = said;
  return (
    <View nativeID={nativeID}>
      <View style={styles.beside}>
        <Eye depthRatio={said.filled} overloaded={overloaded} size={EYE} />
        <View style={styles.figures}>
          <View>
            <View style={styles.figure}>
              <Text kind="figure" {...(overloaded ? { tone: 'fix' as const } : {})}>
                {said.value}
              </Text>
              <Text kind="unit">{` ${said.unit}`}</Text>
            </View>
            <Text kind="small">{said.made}</Text>
          </View>
          <View>
            <View style={styles.figure}>
              <Text kind="figure" {...(flat ? { tone: 'stop' as const } : {})}>
                {said.pitch}
              </Text>
              <Text kind="unit">%</Text>
            </View>
            <Bubble pitch={said.bubble} linePitch={said.linePitch} width={BUBBLE} />
          </View>
        </View>
        <View style={styles.mark}>{worst && <Mark kind={worst} size={MARK} />}</View>
      </View>
      <Text kind="small" style={{ marginTop: 4 }}>
        {said.about}
      </Text>
    </View>
  );
}
