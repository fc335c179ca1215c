/** Plan: where the water goes, how big, how steep. The descent, the fall budget, the long section, the snags. */
import { budgetWorking, headOf, nameOf, put, type FallBudget, type Job, type Plan } from '@katabasis/core';
import { memo, useCallback, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useKept } from '../../data/useJob';
import { useLagging } from '../../drawing/useLagging';
import { Descent } from '../../drawing/Descent';
import { layOutDescent } from '../../drawing/descentLayout';
import { FallBudgetBar } from '../../drawing/FallBudgetBar';
import { LongSection } from '../../drawing/LongSection';
import { useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useGo } from '../Shell';
import { useAt } from '../useAt';
import { useKeys } from '../useKeys';
import { ElementSheet } from '../../elements/ElementSheet';
import { Cautions } from './Cautions';
import { SizeJob } from './SizeJob';
import { SnagItem } from '../../parts/SnagItem';
import { WorkingPanel } from '../../parts/WorkingPanel';
import { drawGlyph } from '../../elements';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  main: { flex: 1 },
  body: { padding: SPACE.l, gap: SPACE.xl, paddingBottom: 96 },
  side: { flex: 1, borderLeftWidth: 1, borderLeftColor: palette.line },
});

export function PlanScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const go = useGo();
  const at = useAt();
  const { plan } = useKept();
  const choose = useCallback((id: string | null): void => go('plan', id), [go]);
  useSteps(at, choose);
  if (Object.keys(plan.landings).length === 0) {
    return (
      <Notice title="No lines yet" action={<Button label="Go to Walk" kind="main" onPress={() => go('walk', 'new')} />}>
        Put in a downspout or a basin and a way out, and the descent is drawn here.
      </Notice>
    );
  }
  const sheet = at && <ElementSheet id={at} onClose={() => choose(null)} onGo={choose} />;
  if (!wide) {
    return (
      <View style={styles.columns}>
        <ScrollView
          style={styles.main}
          contentContainerStyle={styles.body}
          tabIndex={0}
          role="region"
          aria-label="Plan"
        >
          <Budget onGo={choose} />
          <Snags onGo={choose} />
          <PitchStyle />
          <Descent chosen={at} onChoose={choose} draw={drawGlyph} />
          <Sections chosen={at} />
          <SizeJob />
          <Cautions />
        </ScrollView>
        {sheet}
      </View>
    );
  }
  return (
    <View style={styles.columns}>
      <ScrollView
        style={styles.main}
        contentContainerStyle={styles.body}
        tabIndex={0}
        role="region"
        aria-label="The descent"
      >
        <Budget onGo={choose} />
        <PitchStyle />
        <Descent chosen={at} onChoose={choose} draw={drawGlyph} />
      </ScrollView>
      <View style={styles.side}>
        {sheet ? (
          <>
            <View style={{ padding: SPACE.l, paddingBottom: 0 }}>
              <Sections chosen={at} />
            </View>
            {sheet}
          </>
        ) : (
          <ScrollView contentContainerStyle={styles.body} tabIndex={0} role="region" aria-label="Section and snags">
            <Sections chosen={at} />
            <Snags onGo={choose} />
            <SizeJob />
            <Cautions />
          </ScrollView>
        )}
      </View>
    </View>
  );
}

/** Arrow keys go from landing to run to landing, down the page. */
function useSteps(at: string | null, choose: (id: string) => void): void {
  const { plan } = useKept();
  const step = (by: number): void => {
    const order = layOutDescent(plan).rows.flatMap((row) => (row.run ? [row.id, row.run] : [row.id]));
    const next = order[at === null ? (by > 0 ? 0 : order.length - 1) : order.indexOf(at) + by];
    if (next) choose(next);
  };
  useKeys({ ArrowDown: () => step(1), ArrowUp: () => step(-1) });
}

function Budget({ onGo }: { onGo: (id: string) => void }) {
  const { job, plan } = useLagging();
  return <Budgets job={job} plan={plan} onGo={onGo} />;
}

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

function Snags({ onGo }: { onGo: (id: string) => void }) {
  const { plan } = useKept();
  return (
    <View role="region" aria-label="Snags">
      <Text kind="heading">Snags</Text>
      {plan.snags.length === 0 && (
        <Text tone="soft">None found by the checks in this version. Look at the site with your own eyes as well.</Text>
      )}
      {plan.snags.map((snag) => (
        <SnagItem key={`${snag.code} ${snag.at}`} snag={snag} onGo={onGo} />
      ))}
    </View>
  );
}

function PitchStyle() {
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
}

/** Long section of the route that the chosen thing is on, or of the tightest one. */
function Sections({ chosen }: { chosen: string | null }) {
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
}
