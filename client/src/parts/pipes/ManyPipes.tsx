/** What lies in the ground all over a job, set once: the make of its pipe and what is over it, for all lines or for one. */
import {
  commonOf,
  manyRuns,
  MATERIAL_FACTS,
  newRuns,
  pricesOf,
  SOLD_MATERIALS,
  type Material,
  type Run,
} from '@katabasis/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import type { Tried } from '../../planning/planning';
import { useTries } from '../../planning/useTries';
import { SPACE } from '../../theme/tokens';
import { Choice, type Option } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { costWords } from './costWords';

const ALL = 'all';
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

export function ManyPipes() {
  const { job, plan, edit } = useJob();
  const [scope, setScope] = useState(ALL);
  const line = plan.lines.find(({ letter }) => letter === scope);
  const runs = useMemo(() => newRuns(job, line?.runs), [job, line]);
  const all = useTries(job, SOLD_MATERIALS, (material) => manyRuns('Try', runs, { material }), runs);
  const common = commonOf(runs, 'material');
  const present = useTries(job, [null], () => manyRuns('Try', [], {}), 'as it is')[0];
  if (newRuns(job).length === 0) return null;
  const { currency } = pricesOf(job);
  const of = line ? `line ${line.letter}` : 'all pipe';
  return (
    <View style={{ gap: SPACE.m }} testID="many-pipes">
      <Text kind="heading">All pipe at once</Text>
      {plan.lines.length > 1 && (
        <Choice
          label="Of which line"
          value={line ? scope : ALL}
          options={[
            { value: ALL, label: 'All of them' },
            ...plan.lines.map(({ letter }) => ({ value: letter, label: `Line ${letter}` })),
          ]}
          onChoose={setScope}
        />
      )}
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
    </View>
  );
}
