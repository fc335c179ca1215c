/** The Build station: what to buy, what to charge, whom to ask, on which days, what to dig, and all of it on paper. */
import { missingWords, takeOff, type Job, type Plan, type TakeOff } from '@katabasis/core';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { ElementSheet } from '../../elements/ElementSheet';
import { useWide } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import { ClearSheet } from './ClearSheet';
import { DaysSheet } from './DaysSheet';
import { DigSheet } from './DigSheet';
import { OptionsSheet } from './OptionsSheet';
import { PaperSheet } from './PaperSheet';
import { PartsSheet } from './PartsSheet';
import { PriceSheet } from './PriceSheet';
import { TablesSheet } from './TablesSheet';

/** How it is looked at, its chip and its title; but for the list of parts in the address, so that a reload comes back to it. */
const VIEWS = [
  { value: 'part', label: 'Parts', title: 'Parts and earth' },
  { value: 'place', label: 'By place', title: 'Parts and earth' },
  { value: 'price', label: 'Price', title: 'Price' },
  { value: 'options', label: 'Options', title: 'Options' },
  { value: 'clear', label: 'Clearances', title: 'Clearances' },
  { value: 'days', label: 'Days', title: 'Days' },
  { value: 'dig', label: 'Dig sheet', title: 'Dig sheet' },
  { value: 'tables', label: 'Tables', title: 'Tables' },
  { value: 'paper', label: 'Paper', title: 'On paper and in files' },
] as const;

const told = { flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' } as const;

/** What a plan takes; of what the plan before took, what reads the same is kept. */
function useTaken(job: Job, plan: Plan): TakeOff {
  const [last, setLast] = useState<{ job: Job; plan: Plan; taken: TakeOff } | null>(null);
  if (last?.job === job && last.plan === plan) return last.taken;
  const next = { job, plan, taken: takeOff(job, plan, last?.taken) };
  setLast(next);
  return next.taken;
}

export function BuildScreen() {
  const wide = useWide();
  const { job, plan } = useJob();
  const go = useGo();
  const at = useAt();
  const taken = useTaken(job, plan);
  if (at !== null && !at.startsWith('~'))
    return <ElementSheet id={at} onClose={() => go('build', null)} onGo={(id) => go('build', id)} />;
  const { value: by, title } = VIEWS.find(({ value }) => at === `~${value}`) ?? VIEWS[0];
  const { parts, missing } = taken;
  const padded = { padding: SPACE.l, gap: SPACE.l, width: '100%', maxWidth: wide ? 1400 : 700 } as const;
  return (
    <ScrollView contentContainerStyle={padded} testID="build">
      <Text kind="title">{title}</Text>
      {parts.length > 0 && (
        <Choice
          label="Show"
          value={by}
          options={VIEWS}
          onChoose={(view) => go('build', view === 'part' ? null : `~${view}`)}
        />
      )}
      {parts.length > 0 && plan.verdict.state === 'stop' && (
        <View style={told}>
          <Mark kind="stop" />
          <View style={{ flex: 1 }}>
            <Text>The plan has a Stop: put that right before anything is bought, offered or dug.</Text>
          </View>
        </View>
      )}
      {missing.map((each) => (
        <View key={`${each.id} ${each.why}`} style={told}>
          <Mark kind="fix" />
          <View style={{ flex: 1 }}>
            <Text>{missingWords(job, each)}</Text>
          </View>
        </View>
      ))}
      {parts.length === 0 ? (
        <Text>Nothing is laid yet. Lead a downspout or a basin to a way out, and what it takes is counted here.</Text>
      ) : (
        <>
          {(by === 'part' || by === 'place') && <PartsSheet taken={taken} by={by} onGo={(id) => go('build', id)} />}
          {by === 'price' && <PriceSheet taken={taken} />}
          {by === 'options' && <OptionsSheet />}
          {by === 'clear' && <ClearSheet taken={taken} />}
          {by === 'days' && <DaysSheet taken={taken} />}
          {by === 'dig' && <DigSheet />}
          {by === 'tables' && <TablesSheet taken={taken} onGo={(id) => go('build', id)} />}
          {by === 'paper' && <PaperSheet />}
        </>
      )}
    </ScrollView>
  );
}
