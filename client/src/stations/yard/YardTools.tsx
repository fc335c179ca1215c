/** What stands over and under the ground plan: its buttons, its tools, what a finger is to do next. */
import Expand from 'lucide-react-native/icons/expand';
import Layers from 'lucide-react-native/icons/layers';
import List from 'lucide-react-native/icons/list';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useState, type RefObject } from 'react';
import { View } from 'react-native';
import type { Yard } from '../../planning/useYard';
import type { PlanHandle } from '../../drawing/yard/GroundPlan';
import { NorthMark } from '../../drawing/yard/NorthMark';
import { usePalette, useShort, useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Press } from '../../ui/Press';
import { useEscape } from '../../ui/escape';
import { Text } from '../../ui/Text';
import { SHOW_LABELS, SHOWS, type Show } from './showing';
import { useView } from './ViewSwitch';

const make = (palette: Palette) => ({
  tools: {
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    gap: SPACE.xs,
    padding: SPACE.s,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    backgroundColor: palette.ground,
  },
  floating: { position: 'absolute' as const, right: SPACE.s, top: SPACE.s, gap: SPACE.xs },
  underWay: {
    position: 'absolute' as const,
    left: SPACE.s,
    top: SPACE.s,
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: SPACE.s,
    paddingHorizontal: SPACE.m,
    backgroundColor: palette.ground,
    borderWidth: 1.5,
    borderColor: palette.line,
  },
  round: {
    width: 44,
    height: 44,
    borderRadius: 22,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    backgroundColor: palette.ground,
    borderWidth: 1.5,
    borderColor: palette.ink,
  },
  partly: { backgroundColor: palette.ink },
  showing: { flexDirection: 'row' as const, justifyContent: 'flex-end' as const },
  choices: {
    position: 'absolute' as const,
    right: 52,
    top: 0,
    width: 250,
    padding: SPACE.s,
    backgroundColor: palette.ground,
    borderWidth: 1.5,
    borderColor: palette.ink,
  },
  banner: {
    flexDirection: 'row' as const,
    flexWrap: 'wrap' as const,
    alignItems: 'center' as const,
    gap: SPACE.s,
    padding: SPACE.s,
    paddingLeft: SPACE.l,
    borderTopWidth: 3,
    borderTopColor: palette.ink,
    backgroundColor: palette.ground,
  },
});

interface PlanButtonsProps {
  plan: RefObject<PlanHandle | null>;
  turn: number;
  show: Show;
  onShow: (show: Show) => void;
}

/** Larger, smaller, all of it, turned, and what is shown: under a thumb at the plan's edge. */
export function PlanButtons({ plan, turn, show, onShow }: PlanButtonsProps) {
  const styles = useStyles(make);
  const { ink, ground } = usePalette();
  const [open, setOpen] = useState(false);
  return (
    <View style={styles.floating}>
      <Round label="Larger" onPress={() => plan.current?.zoom(1.4)} icon={Plus} />
      <Round label="Smaller" onPress={() => plan.current?.zoom(1 / 1.4)} icon={Minus} />
      <Round label="Show all" onPress={() => plan.current?.fit()} icon={Expand} />
      <NorthButton turn={turn} onPress={() => plan.current?.turn()} />
      <View style={styles.showing}>
        {open && (
          <View style={styles.choices}>
            <Choice
              label="Show on the plan"
              value={show}
              options={SHOWS.map((value) => ({ value, label: SHOW_LABELS[value] }))}
              onChoose={(next) => {
                onShow(next);
                setOpen(false);
              }}
            />
          </View>
        )}
        <Press
          role="button"
          aria-expanded={open}
          aria-label={`What is shown: ${SHOW_LABELS[show].toLowerCase()}`}
          onPress={() => setOpen((now) => !now)}
          style={[styles.round, show !== 'all' && styles.partly]}
          testID="yard-show"
        >
          <Layers size={22} color={show === 'all' ? ink : ground} />
        </Press>
      </View>
    </View>
  );
}

/** How far the ground of a large yard is worked out, and how to call that off; nothing while it is there. */
export function GroundUnderWay({ yard }: { yard: Yard<unknown> }) {
  const styles = useStyles(make);
  const { step, steps, behind, stop, again } = yard;
  if (step === null && !behind) return null;
  return (
    <View style={styles.underWay} role="status">
      <Text kind="strong">{step === null ? 'The ground is not as it is now' : `Ground: step ${step} of ${steps}`}</Text>
      <Button
        label={step === null ? 'Work it out' : 'Stop'}
        kind="bare"
        onPress={step === null ? again : stop}
        testID="ground-under-way"
      />
    </View>
  );
}

function Round({ label, onPress, icon: Icon }: { label: string; onPress: () => void; icon: typeof Plus }) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  return (
    <Press role="button" aria-label={label} onPress={onPress} style={styles.round}>
      <Icon size={22} color={ink} />
    </Press>
  );
}

function NorthButton({ turn, onPress }: { turn: number; onPress: () => void }) {
  const styles = useStyles(make);
  return (
    <Press role="button" aria-label="Turn the plan, or north up again" onPress={onPress} style={styles.round}>
      <NorthMark turn={turn} />
    </Press>
  );
}

export function Tools({ choose }: { choose: (id: string) => void }) {
  const styles = useStyles(make);
  const short = useShort();
  const show = useView();
  return (
    <View style={styles.tools} role="toolbar" aria-label="In the yard">
      <Button label="Put down" icon={Plus} kind="main" onPress={() => choose('new')} testID="yard-add" />
      <Button label="Levels" onPress={() => choose('~levels')} testID="yard-levels" />
      <Button label="Draw a line" onPress={() => choose('~line')} testID="yard-line" />
      <Button label="What it says" onPress={() => choose('~says')} testID="yard-says" />
      <Button label="Ways out" onPress={() => choose('~waysOut')} testID="yard-ways-out" />
      <Button label="Files" onPress={() => choose('~files')} testID="yard-files" />
      {/* A phone on its side has no row to spare for the switch over the plan. */}
      {short && <Button label="As a list" icon={List} iconOnly kind="bare" onPress={() => show('walk')} />}
    </View>
  );
}

interface BannerProps {
  says: string;
  wrong: string | null;
  onBack: (() => void) | null;
  /** Forgets what was begun; null while it is hardly begun. */
  onAnew: (() => void) | null;
  onDone?: (() => void) | null;
  onTapes?: () => void;
  onClose: () => void;
}

export function Banner({ says, wrong, onBack, onAnew, onDone = null, onTapes, onClose }: BannerProps) {
  const styles = useStyles(make);
  useEscape(onClose);
  return (
    <View style={styles.banner} role="region" aria-label="What to tap">
      <View style={{ flexGrow: 1, flexBasis: 220 }} aria-live="polite">
        <Text kind="strong">{says}</Text>
        {wrong !== null && (
          <Text tone="stop" role="alert">
            {wrong}
          </Text>
        )}
      </View>
      <Button label="One back" disabled={onBack === null} onPress={() => onBack?.()} />
      {onAnew && <Button label="Begin anew" kind="bare" onPress={onAnew} />}
      {onTapes && <Button label="By tapes" onPress={onTapes} testID="by-tapes" />}
      {onDone && <Button label="Done" kind="main" onPress={onDone} testID="put-done" />}
      <Button label="Leave it" kind="bare" onPress={onClose} />
    </View>
  );
}

export function EmptyYard({ onPace, onAdd }: { onPace: () => void; onAdd: () => void }) {
  return (
    <View style={{ position: 'absolute', left: SPACE.l, right: 64, top: SPACE.l, gap: SPACE.m }}>
      <Text kind="heading">Nothing is on the plan yet</Text>
      <Text>
        Begin with the house: walk round it wall by wall. Then take levels, and the ground says where water goes.
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Pace out a house" kind="main" onPress={onPace} testID="pace" />
        <Button label="Put something else down" onPress={onAdd} />
      </View>
    </View>
  );
}
