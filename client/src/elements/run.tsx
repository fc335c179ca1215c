/** One run: what runs in it, what each size and material would give, its pitch, and what is wrong with it. */
import {
  dearer,
  headOf,
  pricesOf,
  isLaid,
  elementOf,
  holdsAt,
  leadElsewhere,
  MATERIAL_FACTS,
  MATERIALS,
  nameOf,
  NOMINAL_SIZES,
  put,
  removal,
  resized,
  runWorking,
  lengthOfRun,
  shortOf,
  showFlow,
  showLength,
  showNominal,
  showPitch,
  showPitchTrade,
  text,
  waysOn,
  type Change,
  type Job,
  type Material,
  type Plan,
  type Run,
  type RunPlan,
  type RunQuantity,
  type Severity,
} from '@katabasis/core';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob, useKept } from '../planning/useJob';
import { Eye } from '../drawing/Eye';
import { useShort, useWide } from '../theme/theme';
import { SPACE, THREE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Choice, type Option } from '../ui/Choice';
import { boreEntry, lengthEntry, pitchEntry } from '../input/entry';
import { QuantityField } from '../input/Field';
import { Sheet } from '../ui/Sheet';
import { Text } from '../ui/Text';
import { OnThePlan } from '../parts/OnThePlan';
import { PipeWall } from '../parts/PipeWall';
import { InsertInRun } from '../parts/InsertInRun';
import { PitchDial } from '../input/PitchDial';
import { without } from '../input/without';
import { SnagsAt } from '../parts/SnagItem';
import { WorkingPanel } from '../parts/WorkingPanel';
import { tryChange } from '../planning/planner';
import type { Tried } from '../planning/planning';
import { useWorked } from '../planning/useWorked';
import { RunFigures } from './runFigures';
import type { FormProps, ElementView } from './view';
import { footRow } from '../ui/rows';

/** Its own sheet: what can be chosen of it first, within reach, or at a desk what it carries; and its snags before what would mend them. */
function RunSheet({ element: { id }, onClose, onGo }: FormProps<Run>) {
  const { job, plan, edit, units } = useJob();
  const wide = useWide();
  const strip = useShort() || !wide;
  const { width } = useWindowDimensions();
  const [asked, setAsked] = useState<RunQuantity | null>(null);
  const own = elementOf(job, 'run', id);
  // As long as the plan has it, where that is what says so.
  const run = own && { ...own, length: lengthOfRun(job, own) };
  const planned = plan.runs[id];
  const working = asked && runWorking(job, plan, id, asked);
  if (!run) return null;
  const over = planned
    ? `Line ${planned.line} · ${run.perforated ? 'perforated' : 'solid'} pipe`
    : isLaid(run)
      ? 'Solid pipe in no line'
      : 'Carries no water any more';
  const remove = (): void => {
    edit(removal(job, id));
    onClose();
  };
  const figures = working ? (
    <WorkingPanel working={working} onBack={() => setAsked(null)} />
  ) : (
    planned && <RunFigures run={planned} onAsk={setAsked} />
  );
  const choices = (
    <>
      <SizeChips run={run} pitch={planned?.pitch ?? 0} strip={strip} />
      <MaterialChips run={run} pitch={planned?.pitch ?? 0} strip={strip} />
      {planned && <Pitch run={run} planned={planned} />}
    </>
  );
  return (
    <Sheet title={nameOf(job, id)} over={over} onClose={onClose}>
      {width >= THREE ? (
        <>
          {figures}
          <SnagsAt id={id} />
          {choices}
        </>
      ) : (
        // The run stands in sight above or beside it: the choices come first, within reach.
        <>
          {choices}
          <SnagsAt id={id} />
          {figures}
        </>
      )}
      <OnThePlan element={run} onGo={onGo} />
      <View style={footRow}>
        <QuantityField
          name="length"
          label={run.assumed ? 'Length, assumed: measure it' : 'Length along the trench'}
          value={run.length}
          {...lengthEntry(units)}
          testID="run-length"
          {...(run.lengthFrom === 'plan' ? { hint: 'By the plan; typed, it stays as typed' } : {})}
          onCommit={(length) =>
            edit(put('Set length', measured({ ...without(run, 'lengthFrom', undefined), length: length! })))
          }
        />
        <Choice
          label="Over it"
          value={run.under ?? 'turf'}
          options={[
            { value: 'turf', label: 'Turf' },
            { value: 'cars', label: 'Cars' },
          ]}
          onChoose={(under) => edit(put('Say what is over it', { ...run, under }))}
        />
      </View>
      <View style={footRow}>
        <Choice
          label="Side by side"
          value={String(run.parallel ?? 1)}
          options={['1', '2', '3'].map((value) => ({ value, label: value === '1' ? 'One pipe' : `${value} pipes` }))}
          onChoose={(count) =>
            edit(put('Set how many side by side', without(run, 'parallel', count === '1' ? undefined : Number(count))))
          }
        />
        <QuantityField
          label="Narrowest way through its adapter"
          usual="none"
          value={run.throat}
          {...boreEntry(units)}
          optional
          onCommit={(throat) => edit(put('Set the adapter’s throat', without(run, 'throat', throat)))}
        />
      </View>
      <PipeWall run={run} />
      <Choice
        label="Leads to"
        value={run.to}
        options={[job.elements.get(run.to)!, ...waysOn(job, run.from).filter(({ id: other }) => other !== run.to)].map(
          ({ id: value }) => ({ value, label: nameOf(job, value) }),
        )}
        onChoose={(to) => {
          if (to !== run.to) edit(leadElsewhere(job, run, to));
        }}
      />
      <InsertInRun run={run} onGo={onGo} />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Take this run out" icon={Trash} kind="bare" onPress={remove} />
      </View>
    </Sheet>
  );
}

/** A run once somebody has measured it. */
const measured = (run: Run): Run => without(run, 'assumed', undefined);

const SEVERITY_TONE: Partial<Record<Severity, 'stop' | 'fix'>> = { stop: 'stop', fix: 'fix' };

/** What a run would come to, in a few words: its own worst snag, or that it works and how full it runs. */
function outcome(plan: Plan, id: string): { note: string; tone?: 'stop' | 'fix' } {
  const run = plan.runs[id];
  if (!run) return { note: 'no line' };
  const elsewhere = plan.snags.find((snag) => snag.severity === 'stop');
  if (run.overloaded) return { note: 'too small', tone: 'fix' };
  const own = plan.snags.find((snag) => snag.at === id && snag.severity !== 'mind');
  if (own)
    return {
      note: shortOf(own) ?? 'has a snag',
      ...(SEVERITY_TONE[own.severity] ? { tone: SEVERITY_TONE[own.severity]! } : {}),
    };
  if (elsewhere) return { note: shortOf(elsewhere) ?? 'stops the job', tone: 'stop' };
  return { note: `${Math.round(run.depthRatio * 100)}% full` };
}

/** What each of several choices would give, worked out one after another; fewer while it is being worked out. */
function useTries<T>(job: Job, choices: readonly T[], change: (choice: T) => Change, on: unknown): readonly Tried[] {
  const tries = useWorked<Tried[]>([job, on], async (signal, give) => {
    const made: Tried[] = [];
    for (const choice of choices) {
      made.push(await tryChange(job, change(choice), signal));
      give([...made]);
    }
  });
  return tries ?? [];
}

/**
 * What a choice would give: what it holds at the pitch that the run has now, so that choices are compared on the same fall; and then
 * what would come of it, with the pitch that it would lie at where that is another.
 */
function gives(
  run: Run,
  tried: Tried | undefined,
  present: Tried | undefined,
  pitch: number,
  job: Job,
): Pick<Option<string>, 'figure' | 'figureSaid' | 'note' | 'tone'> {
  const { units } = headOf(job);
  const holds = text(showFlow(holdsAt(run, pitch), units));
  const figure = { figure: holds, figureSaid: `${holds} at ${text(showPitch(pitch))}` };
  // As high as it will be: nothing moves under a thumb when the answer comes.
  if (!tried) return { ...figure, note: 'being worked out' };
  const { plan } = tried;
  const { note: comes, ...tone } = outcome(plan, run.id);
  const costs = present ? dearer(tried.asked - present.asked, pricesOf(job).currency) : '';
  const note = costs === '' ? comes : `${comes}, ${costs}`;
  const own = plan.runs[run.id]?.pitch ?? pitch;
  return {
    ...figure,
    note: Math.abs(own - pitch) > 0.0005 ? `lies at ${text(showPitch(own))}, ${note}` : note,
    ...tone,
  };
}

interface ChipsProps {
  run: Run;
  pitch: number;
  strip: boolean;
}

function SizeChips({ run, pitch, strip }: ChipsProps) {
  // Of the job as made, not as previewed: what the chips say holds still while a dial turns.
  const { job, edit, units } = useKept();
  const tries = useTries(job, NOMINAL_SIZES, (nominal) => put('Try', resized(run, nominal)), run);
  const now = tries[NOMINAL_SIZES.findIndex((nominal) => Math.abs(nominal - run.nominal) < 1e-4)];
  const options = NOMINAL_SIZES.map((nominal, k): Option<string> => {
    const planned = tries[k]?.plan.runs[run.id];
    return {
      value: String(nominal),
      label: text(showNominal(nominal, units)),
      ...gives(resized(run, nominal), tries[k], now, pitch, job),
      picture: <Eye depthRatio={planned?.depthRatio ?? 0} overloaded={planned?.overloaded ?? false} size={28} />,
    };
  });
  const present = options.find((option) => Math.abs(Number(option.value) - run.nominal) < 1e-4);
  return (
    <Choice
      label="Size: what each would give"
      strip={strip}
      value={present?.value ?? null}
      options={options}
      onChoose={(value) => edit(put(`Make it ${text(showNominal(Number(value), units))}`, resized(run, Number(value))))}
    />
  );
}

function MaterialChips({ run, pitch, strip }: ChipsProps) {
  const { job, edit } = useKept();
  const tries = useTries(job, MATERIALS, (material) => put('Try', { ...run, material }), run);
  const now = tries[MATERIALS.indexOf(run.material)];
  const options = MATERIALS.map((material, k): Option<Material> => {
    return {
      value: material,
      label: MATERIAL_FACTS[material].label,
      reason: MATERIAL_FACTS[material].note,
      ...gives({ ...run, material }, tries[k], now, pitch, job),
    };
  });
  return (
    <Choice
      label="Material: what each would give"
      strip={strip}
      value={run.material}
      options={options}
      onChoose={(material) => edit(put(`Use ${MATERIAL_FACTS[material].label}`, { ...run, material }))}
    />
  );
}

const GRADES = [
  { value: 'auto', label: 'Finds its own' },
  { value: 'pitch', label: 'Set by you' },
] as const;

function Pitch({ run, planned }: { run: Run; planned: RunPlan }) {
  const { edit, preview, units } = useJob();
  const set = (pitch: number): Run => ({ ...run, grade: { type: 'pitch', pitch } });
  const commit = (pitch: number): string | null => {
    preview(null);
    return edit(put(`Set pitch ${text(showPitch(pitch))}`, set(pitch)));
  };
  const start = Math.max(planned.pitch, planned.leastPitch);
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 8, flexWrap: 'wrap' }}>
        <Text kind="small">Pitch</Text>
        <Text kind="hero" {...(planned.pitch < planned.leastPitch - 1e-6 ? { tone: 'stop' as const } : {})}>
          {showPitch(planned.pitch).value}
        </Text>
        <Text>%</Text>
        <Text kind="small">
          {text(showPitchTrade(planned.pitch, units))}, least {text(showPitch(planned.leastPitch))}
          {run.grade.type === 'levels' ? ', from levels set by you' : ''}
        </Text>
      </View>
      <PitchDial
        units={units}
        pitch={planned.pitch}
        least={planned.leastPitch}
        onPreview={(pitch) => preview(put('Turn the dial', set(pitch)))}
        onCommit={commit}
      />
      <View style={footRow}>
        <Choice
          label="Grade"
          hideLabel
          value={run.grade.type === 'auto' ? 'auto' : run.grade.type === 'pitch' ? 'pitch' : null}
          options={GRADES}
          onChoose={(value) =>
            edit(
              value === 'auto'
                ? put('Let it find its own pitch', { ...run, grade: { type: 'auto' } })
                : put(`Set pitch ${text(showPitch(start))}`, set(start)),
            )
          }
        />
        <QuantityField
          label="Or type it"
          value={planned.pitch}
          {...pitchEntry}
          onCommit={(pitch) => commit(pitch!)}
          testID="run-pitch"
        />
      </View>
    </View>
  );
}

export const runView: ElementView<Run> = {
  Form: RunSheet,
  ownSheet: true,
  onPlan: ({ nominal }, { path, spots, scale, ink, ground, water, chosen }) => {
    const width = Math.max(4, nominal * scale);
    const [a, b] = [spots[0]!, spots[1]!];
    const along = Math.atan2(b.y - a.y, b.x - a.x);
    const tip = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    const wing = (by: number): string => `${tip.x - 9 * Math.cos(along + by)} ${tip.y - 9 * Math.sin(along + by)}`;
    return (
      <>
        <Path d={path} fill="none" stroke={ink} strokeWidth={width + (chosen ? 5 : 2.5)} strokeLinejoin="round" />
        <Path d={path} fill="none" stroke={chosen ? water : ground} strokeWidth={width - 1} strokeLinejoin="round" />
        <Path d={`M${wing(0.5)}L${tip.x} ${tip.y}L${wing(-0.5)}`} fill="none" stroke={ink} strokeWidth={2.5} />
      </>
    );
  },
  list: {
    group: 'lines',
    about: (run, { plan, units }) => ({
      about: `${text(showNominal(run.nominal, units))}${run.assumed ? ', length assumed' : ''}`,
      figure: showLength(plan.runs[run.id]?.length ?? run.length, units),
    }),
  },
};
