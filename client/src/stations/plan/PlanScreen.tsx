/** Plan: where the water goes, how big, how steep. The descent, the fall budget, the long section, the snags. */
import {
  budgetWorking,
  headOf,
  nameOf,
  put,
  snagKey,
  tellSnag,
  type FallBudget,
  type Job,
  type Plan,
  type Snag,
} from '@katabasis/core';
import { memo, useCallback, useMemo, useRef, useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { unhurried } from '../../pace/unhurried';
import { useFresh, useKept, useMade, type OpenJob } from '../../planning/useJob';
import { useLagging } from '../../drawing/useLagging';
import { Descent } from '../../drawing/Descent';
import { layOutDescent } from '../../drawing/descentLayout';
import { FallBudgetBar } from '../../drawing/FallBudgetBar';
import { LongSection } from '../../drawing/LongSection';
import { useShort, useStyles, useWide } from '../../theme/theme';
import { SPACE, THREE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { inPlace } from '../../ui/holdPlace';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { isOfYard, useGo } from '../useGo';
import { useAt } from '../useAt';
import { useKeys } from '../useKeys';
import { ElementSheet } from '../../elements/ElementSheet';
import { Cautions } from './Cautions';
import { CloseUp, useCloseUp } from './CloseUp';
import { SizeJob } from './SizeJob';
import { AtLeisure } from '../../parts/AtLeisure';
import { SnagItem } from '../../parts/SnagItem';
import { WorkingPanel } from '../../parts/WorkingPanel';
import { drawGlyph } from '../../elements';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  stacked: { flex: 1 },
  main: { flex: 1 },
  body: { padding: SPACE.l, gap: SPACE.xl, paddingBottom: 96 },
  section: { padding: SPACE.l, paddingBottom: SPACE.s },
  over: { flexGrow: 0, flexShrink: 0, maxHeight: '52%' as const },
  side: { flex: 1, borderLeftWidth: 1, borderLeftColor: palette.line },
});

const isEmpty = ({ plan }: OpenJob): { empty: boolean } => ({ empty: Object.keys(plan.landings).length === 0 });

export function PlanScreen() {
  const go = useGo();
  const at = useAt();
  const wide = useWide();
  const { width } = useWindowDimensions();
  const { empty } = useMade(isEmpty);
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
            action={<Button label="Go to Walk" kind="main" onPress={() => go('walk', 'new')} />}
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
    return inPlace(view);
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
          <AtLeisure ahead>
            <Descent chosen={at} onChoose={choose} draw={drawGlyph} />
          </AtLeisure>
          <AtLeisure>
            <Sections chosen={at} />
          </AtLeisure>
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
      ref={inPlace as never}
    >
      <Budget onGo={choose} />
      <PitchStyle />
      <Descent chosen={at} onChoose={choose} draw={drawGlyph} />
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
  const fresh = useFresh();
  const step = (by: number): void => {
    const { plan } = fresh();
    const order = layOutDescent(plan).rows.flatMap((row) => (row.run ? [row.id, row.run] : [row.id]));
    const next = order[at === null ? (by > 0 ? 0 : order.length - 1) : order.indexOf(at) + by];
    if (next) choose(next);
  };
  useKeys({ ArrowDown: () => step(1), ArrowUp: () => step(-1) });
}

const Budget = unhurried(function Budget({ onGo }: { onGo: (id: string) => void }) {
  const { job, plan } = useLagging();
  return <Budgets job={job} plan={plan} onGo={onGo} />;
});

const Budgets = memo(function Budgets({ onGo, ...shown }: { job: Job; plan: Plan; onGo: (id: string) => void }) {
  return (
    <>
      {shown.plan.budgets.map((budget) => (
        <OneBudget key={budget.discharge} {...shown} budget={budget} onGo={onGo} />
      ))}
    </>
  );
});

function OneBudget({
  job,
  plan,
  budget,
  onGo,
}: {
  job: Job;
  plan: Plan;
  budget: FallBudget;
  onGo: (id: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const working = open ? budgetWorking(job, plan, budget.discharge) : null;
  if (working) return <WorkingPanel working={working} onBack={() => setOpen(false)} />;
  return <FallBudgetBar plan={plan} budget={budget} onPress={() => setOpen(true)} onStretch={onGo} />;
}

const Snags = unhurried(function Snags({ onGo }: { onGo: (id: string) => void }) {
  const { plan } = useKept();
  return (
    <View role="region" aria-label="Snags">
      <Text kind="heading">Snags</Text>
      {plan.snags.length > 0 && (
        <Text kind="small">Stop: do not dig this. Fix: mend it first. Mind: look at it on site.</Text>
      )}
      {plan.snags.length === 0 && (
        <Text tone="soft">None found by the checks in this version. Look at the site with your own eyes as well.</Text>
      )}
      {plan.snags.map((snag, place) => (
        <SnagRow key={snagKey(snag)} id={snagKey(snag)} ahead={place < AHEAD} onGo={onGo} />
      ))}
    </View>
  );
});

/** Of so many snags the mends are sought before they are scrolled to; of hundreds that would go on for minutes. */
const AHEAD = 12;

interface SnagRowProps {
  id: string;
  ahead: boolean;
  onGo: (id: string) => void;
}

const SnagRow = memo(function SnagRow(props: SnagRowProps) {
  const { id } = props;
  const same = useCallback((before: OpenJob, now: OpenJob): boolean => told(before, id) === told(now, id), [id]);
  return (
    <AtLeisure tall={150} same={same}>
      <SnagOf {...props} />
    </AtLeisure>
  );
});

const snagIn = ({ plan }: OpenJob, id: string): Snag | undefined => plan.snags.find((snag) => snagKey(snag) === id);

/** All that is said of a snag, as one text. */
function told(open: OpenJob, id: string): string {
  const snag = snagIn(open, id);
  return snag ? JSON.stringify([snag.severity, tellSnag(open.job, open.plan, snag)]) : '';
}

/** A snag as it is in the job that is drawn here, which may be behind the list. */
function SnagOf({ id, ...how }: SnagRowProps) {
  const open = useKept();
  const snag = useMemo(() => snagIn(open, id), [open, id]);
  return snag ? <SnagItem snag={snag} {...how} /> : null;
}

const PitchStyle = unhurried(function PitchStyle() {
  const { job, edit } = useKept();
  const head = headOf(job);
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

const Foot = unhurried(function Foot() {
  return (
    <>
      <SizeJob />
      <Cautions />
    </>
  );
});

/** Long section of the route that the chosen thing is on, or of the tightest one. */
const Sections = unhurried(function Sections({ chosen }: { chosen: string | null }) {
  const { job, plan } = useKept();
  const heads = plan.lines.map((line) => plan.runs[line.runs[0]!]!.from);
  const at =
    chosen === null
      ? null
      : (plan.runs[chosen]?.line ??
        Object.values(plan.runs).find((run) => run.from === chosen || run.to === chosen)?.line);
  const followed = plan.lines.find((line) => line.letter === at);
  const [picked, setPicked] = useState<string | null>(null);
  const from =
    (followed && plan.runs[followed.runs[0]!]!.from) ??
    (picked && heads.includes(picked) ? picked : null) ??
    plan.budgets[0]?.source ??
    heads[0];
  if (!from || !plan.landings[from]) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Long section</Text>
      {!followed && heads.length > 1 && (
        <Choice
          label="From"
          hideLabel
          value={from}
          options={heads.map((id) => ({ value: id, label: nameOf(job, id) }))}
          onChoose={setPicked}
        />
      )}
      <LongSection from={from} />
    </View>
  );
});
