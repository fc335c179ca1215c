/** What several pipes have alike, set once: the make of pipe and what is over it. */
import { commonOf, manyRuns, MATERIAL_FACTS, pricesOf, SOLD_MATERIALS, type Material, type Run } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import type { Tried } from '../../planning/planning';
import { useTries } from '../../planning/useTries';
import { Choice, type Option } from '../../ui/Choice';
import { costWords } from './costWords';

const OVER: readonly Option<NonNullable<Run['under']>>[] = [
  { value: 'turf', label: 'Turf' },
  { value: 'slab', label: 'Slab', note: 'walk or patio' },
  { value: 'cars', label: 'Cars', note: 'drive' },
  { value: 'bed', label: 'Bed' },
  { value: 'deck', label: 'Deck' },
];

/** What a make would give over the whole job: what it costs, and how many snags more or fewer. */
function outcome(tried: Tried | undefined, present: Tried | undefined, currency: string): string {
  if (!tried || !present) return 'being worked out';
  const worse = tried.plan.snags.length - present.plan.snags.length;
  const snags = worse === 0 ? '' : `${Math.abs(worse)} ${worse > 0 ? 'more' : 'fewer'} to mend`;
  return [costWords(tried, present, currency), snags].filter((each) => each !== '').join(', ') || 'the same';
}

interface Props {
  runs: readonly Run[];
  /** What they are called together: `line A`, `3 pipes`. */
  of: string;
}

export function PipeChoices({ runs, of }: Props) {
  const { job, edit } = useJob();
  const all = useTries(job, SOLD_MATERIALS, (material) => manyRuns('Try', runs, { material }), runs);
  const common = commonOf(runs, 'material');
  const present = useTries(job, [null], () => manyRuns('Try', [], {}), 'as it is')[0];
  const { currency } = pricesOf(job);
  return (
    <>
      <Choice
        label={common === null ? 'Material: they differ' : 'Material'}
        value={common}
        options={SOLD_MATERIALS.map((material, k): Option<Material> => ({
          value: material,
          label: MATERIAL_FACTS[material].label,
          note: material === common ? 'as it is' : outcome(all[k], present, currency),
        }))}
        onChoose={(material) => edit(manyRuns(`Lay ${of} in ${MATERIAL_FACTS[material].label}`, runs, { material }))}
      />
      <Choice
        label={commonOf(runs, 'under', 'turf') === null ? 'Over it: they differ' : 'Over it'}
        value={commonOf(runs, 'under', 'turf')}
        options={OVER}
        onChoose={(under) => edit(manyRuns(`Say what is over ${of}`, runs, { under }))}
      />
    </>
  );
}
