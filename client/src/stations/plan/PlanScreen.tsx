/** Plan: where the water goes, how big, how steep. The descent, the fall budget, the long section, the snags. */
import { headOf, openWayLines, put } from '@katabasis/core';
import { useCallback, useRef, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { deferred } from '../../pace/deferred';
import { DeferredUnseen } from '../../pace/inSight';
import { useLatestJob, useJob, useJobPart, type OpenJob } from '../../planning/useJob';
import { Descent } from '../../drawing/Descent';
import { layOutDescent } from '../../drawing/descentLayout';
import { useShort, useStyles, useWide } from '../../theme/theme';
import { SPACE, THREE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { anchored } from '../../ui/scrollAnchor';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { isOfYard, useGo } from '../useGo';
import { useAt } from '../useAt';
import { useKeys } from '../useKeys';
import { ElementSheet } from '../../elements/ElementSheet';
import { Cautions } from './Cautions';
import { CloseUp, useCloseUp } from './CloseUp';
import { SizeJob } from './SizeJob';
import { drawGlyph } from '../../elements';
import { Snags } from './SnagList';
import { Sections } from './Sections';
import { Budget } from './Budgets';
import { OpenWays } from './OpenWays';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  stacked: { flex: 1 },
  main: { flex: 1 },
  body: { padding: SPACE.l, gap: SPACE.xl, paddingBottom: 96 },
  section: { padding: SPACE.l, paddingBottom: SPACE.s },
  over: { flexGrow: 0, flexShrink: 0, maxHeight: '52%' as const },
  side: { flex: 1, borderLeftWidth: 1, borderLeftColor: palette.line },
});

const isEmpty = ({ job, plan }: OpenJob): { empty: boolean } => ({
  empty: Object.keys(plan.landings).length === 0 && openWayLines(job, plan).length === 0,
});

export function PlanScreen() {
  const go = useGo();
  const at = useAt();
  const wide = useWide();
  const { width } = useWindowDimensions();
  const { empty } = useJobPart(isEmpty);
  const choose = useCallback((id: string | null): void => go(isOfYard(id) ? 'yard' : 'plan', id), [go]);
  useSteps(at, choose);
  const close = useCallback((): void => choose(null), [choose]);
  const sheet = at === null ? null : <ElementSheet id={at} onClose={close} onGo={choose} />;
  if (empty) {
    return (
      <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column' }}>
        <View style={{ flex: 1 }}>
          <Notice
            title="No lines yet"
            action={<Button label="Say what is here" kind="main" onPress={() => go('walk', 'new')} />}
          >
            Put in a downspout or a basin and a way out, and the descent is drawn here.
          </Notice>
        </View>
        {wide && sheet ? <View style={{ flex: 1 }}>{sheet}</View> : sheet}
      </View>
    );
  }
  const props: LayoutProps = { at, sheet, choose };
  if (!wide) return <OnPhone {...props} />;
  return width >= THREE ? <SideBySide {...props} /> : <TwoColumns {...props} />;
}

interface LayoutProps {
  at: string | null;
  sheet: ReactNode;
  choose: (id: string | null) => void;
}

function OnPhone({ at, sheet, choose }: LayoutProps) {
  const styles = useStyles(make);
  const closeUp = useCloseUp(at);
  const scrolled = useRef(0);
  // Where it stood, once what lay over it is closed.
  const back = useCallback((view: ScrollView | null) => {
    view?.scrollTo({ y: scrolled.current, animated: false });
    return anchored(view);
  }, []);
  return (
    <View style={styles.stacked}>
      {closeUp ? (
        <CloseUp at={at} only={closeUp} choose={choose} />
      ) : (
        <ScrollView
          style={styles.main}
          contentContainerStyle={styles.body}
          tabIndex={0}
          role="region"
          aria-label="Plan"
          ref={back as never}
          onScroll={({ nativeEvent }) => void (scrolled.current = nativeEvent.contentOffset.y)}
          scrollEventThrottle={100}
        >
          <Budget onGo={choose} />
          <Snags onGo={choose} />
          <PitchStyle />
          <DeferredUnseen>
            <Descent chosen={at} onChoose={choose} draw={drawGlyph} />
          </DeferredUnseen>
          <Sections chosen={at} />
          <OpenWays onGo={choose} />
          <Foot />
        </ScrollView>
      )}
      {sheet}
    </View>
  );
}

function DescentColumn({ at, choose }: Omit<LayoutProps, 'sheet'>) {
  const styles = useStyles(make);
  return (
    <ScrollView
      style={styles.main}
      contentContainerStyle={styles.body}
      tabIndex={0}
      role="region"
      aria-label="The descent"
      ref={anchored as never}
    >
      <Budget onGo={choose} />
      <PitchStyle />
      <Descent chosen={at} onChoose={choose} draw={drawGlyph} />
      <OpenWays column="descent" onGo={choose} />
    </ScrollView>
  );
}

/** Descent beside its section and snags, or beside the section and the sheet of what is chosen. */
function TwoColumns({ at, sheet, choose }: LayoutProps) {
  const styles = useStyles(make);
  const short = useShort();
  const closeUp = useCloseUp(at);
  return (
    <View style={styles.columns}>
      {short && closeUp ? (
        <CloseUp at={at} only={closeUp} choose={choose} />
      ) : (
        <DescentColumn at={at} choose={choose} />
      )}
      <View style={styles.side}>
        {sheet ? (
          <>
            {!short && (
              <ScrollView
                style={styles.over}
                contentContainerStyle={styles.section}
                tabIndex={0}
                role="region"
                aria-label="Section"
              >
                <Sections chosen={at} />
              </ScrollView>
            )}
            {sheet}
          </>
        ) : (
          <ScrollView contentContainerStyle={styles.body} tabIndex={0} role="region" aria-label="Section and snags">
            <Sections chosen={at} />
            <OpenWays column="section" onGo={choose} />
            <Snags onGo={choose} />
            <Foot />
          </ScrollView>
        )}
      </View>
    </View>
  );
}

/** On a desk's screen the descent, the section with its snags, and the sheet stand beside one another. */
function SideBySide({ at, sheet, choose }: LayoutProps) {
  const styles = useStyles(make);
  return (
    <View style={styles.columns}>
      <DescentColumn at={at} choose={choose} />
      <View style={styles.side}>
        <ScrollView contentContainerStyle={styles.body} tabIndex={0} role="region" aria-label="Section and snags">
          <Sections chosen={at} />
          <OpenWays column="section" onGo={choose} />
          <Snags onGo={choose} />
          {sheet && <Foot />}
        </ScrollView>
      </View>
      <View style={styles.side}>
        {sheet ?? (
          <ScrollView contentContainerStyle={styles.body} tabIndex={0} role="region" aria-label="Sizes and cautions">
            <Text tone="soft">Tap a place or a pipe in the descent to see and change it here.</Text>
            <Foot />
          </ScrollView>
        )}
      </View>
    </View>
  );
}

/** Arrow keys go from landing to run to landing, down the page. */
function useSteps(at: string | null, choose: (id: string) => void): void {
  const fresh = useLatestJob();
  const step = (by: number): void => {
    const { plan } = fresh();
    const order = layOutDescent(plan).rows.flatMap((row) => (row.run ? [row.id, row.run] : [row.id]));
    const next = order[at === null ? (by > 0 ? 0 : order.length - 1) : order.indexOf(at) + by];
    if (next) choose(next);
  };
  useKeys({ ArrowDown: () => step(1), ArrowUp: () => step(-1) });
}

const PitchStyle = deferred(function PitchStyle() {
  const { job, plan, edit } = useJob();
  const head = headOf(job);
  if (Object.keys(plan.runs).length === 0) return null;
  return (
    <Choice
      label="How lines take their pitch"
      hideLabel
      value={head.pitchStyle}
      onChoose={(pitchStyle) => edit(put('Set pitch style', { ...head, pitchStyle }))}
      options={[
        { value: 'ground', label: 'Follow the ground' },
        { value: 'single', label: 'One pitch' },
      ]}
    />
  );
});

/** The way to plans that are laid out for the site. */
function Propose() {
  const go = useGo();
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <Text kind="heading">Whole plans</Text>
      <Text>
        Lines for all that has none, or for the whole site anew: laid out round what is in the way, sized and priced.
      </Text>
      <Button label="Propose plans" onPress={() => go('build', '~proposed')} testID="propose" />
    </View>
  );
}

const Foot = deferred(function Foot() {
  return (
    <>
      <Propose />
      <SizeJob />
      <Cautions />
    </>
  );
});
