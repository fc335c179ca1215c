/** Sizes and materials of a run as chips, each with what it would give: choosing is comparing. */
import {
  dearer,
  headOf,
  holdsAt,
  MATERIAL_FACTS,
  MATERIALS,
  NOMINAL_SIZES,
  pricesOf,
  put,
  resized,
  SOLD_MATERIALS,
  shortOf,
  showFlow,
  showNominal,
  showPitch,
  text,
  type Job,
  type Material,
  type Plan,
  type Run,
  type Severity,
} from '@katabasis/core';
import { useJob } from '../planning/useJob';
import { Eye } from '../drawing/Eye';
import { Choice, type Option } from '../ui/Choice';
import type { Tried } from '../planning/planning';
import { costWords } from '../parts/pipes/costWords';
import { useTries } from '../planning/useTries';

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
  const { currency } = pricesOf(job);
  const costs = !present
    ? ''
    : run.material === present.plan.runs[run.id]?.material
      ? dearer(tried.asked - present.asked, currency)
      : costWords(tried, present, currency);
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

export function SizeChips({ run, pitch, strip }: ChipsProps) {
  // Of the job as made, not as previewed: what the chips say holds still while a dial turns.
  const { job, edit, units } = useJob();
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

export function MaterialChips({ run, pitch, strip }: ChipsProps) {
  const { job, edit } = useJob();
  // Old clay is nothing to lay: it is offered only where it lies.
  const offered = run.old || run.material === 'clay' ? MATERIALS : SOLD_MATERIALS;
  const tries = useTries(job, offered, (material) => put('Try', { ...run, material }), run);
  const now = tries[offered.indexOf(run.material)];
  const options = offered.map((material, k): Option<Material> => {
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
