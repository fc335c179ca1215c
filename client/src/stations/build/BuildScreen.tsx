/** The Build station: what to buy, what to charge, whom to ask, on which days, what to dig, and all of it on paper. */
import { missingWords, takeOff, type Job, type Plan, type TakeOff } from '@katabasis/core';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { ElementSheet } from '../../elements/ElementSheet';
import { useShort, useWide } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { NoPrices } from '../NoPrices';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import { BuildPages, OF_MONEY, pageAt, PageStrip, type PageName } from './BuildPages';
import { ClearSheet } from './ClearSheet';
import { DaysSheet } from './DaysSheet';
import { DigSheet } from './DigSheet';
import { OptionsSheet } from './OptionsSheet';
import { ProposedSheet } from './proposed/ProposedSheet';
import { PaperSheet } from './PaperSheet';
import { PartsSheet } from './PartsSheet';
import { PlanBeside } from './beside/PlanBeside';
import { PointingContext, type Pointed } from './beside/pointed';
import { PriceSheet } from './PriceSheet';
import { TablesSheet } from './TablesSheet';
import { WaysSheet } from './ways/WaysSheet';

const told = { flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' } as const;

/** What a plan takes; of what the plan before took, what reads the same is kept. */
function useTaken(job: Job, plan: Plan): TakeOff {
  const [last, setLast] = useState<{ job: Job; plan: Plan; taken: TakeOff } | null>(null);
  if (last?.job === job && last.plan === plan) return last.taken;
  const next = { job, plan, taken: takeOff(job, plan, last?.taken) };
  setLast(next);
  return next.taken;
}

/** The plan stands beside a page on a screen no narrower, px. */
const DESK = 1200;
/** Pages of which each line is for something on the plan. */
const BESIDE: ReadonlySet<PageName> = new Set(['part', 'place', 'price', 'days', 'dig']);
const NOTHING_POINTED: Pointed = { ids: [] };

export function BuildScreen() {
  const wide = useWide();
  const short = useShort();
  const { job, plan } = useJob();
  const go = useGo();
  const at = useAt();
  const taken = useTaken(job, plan);
  const { width } = useWindowDimensions();
  const [pointed, setPointed] = useState<Pointed>(NOTHING_POINTED);
  if (at !== null && !at.startsWith('~'))
    return <ElementSheet id={at} onClose={() => go('build', null)} onGo={(id) => go('build', id)} />;
  const page = pageAt(at);
  const empty = taken.parts.length === 0;
  const choose = (name: PageName): void => go('build', `~${name}`);
  // Plans are proposed for a yard in which nothing is laid yet.
  const proposes = page?.name === 'proposed';
  // A phone on its side has no room for the list beside a table.
  if (!wide || short)
    return (
      <ScrollView contentContainerStyle={wide ? broad : narrow} testID="build">
        {page === null || (empty && !proposes) ? (
          <>
            <Text kind="title">Build</Text>
            <Standing taken={taken} />
            {!empty && <BuildPages taken={taken} at={null} onChoose={choose} />}
          </>
        ) : (
          <>
            {!empty && <PageStrip at={page.name} onChoose={choose} onAll={() => go('build', null)} />}
            <Text kind="title">{page.title}</Text>
            {!proposes && <Standing taken={taken} />}
            <Page name={page.name} taken={taken} />
          </>
        )}
      </ScrollView>
    );
  const shown = page ?? pageAt('~part')!;
  const beside = !empty && width >= DESK && BESIDE.has(shown.name);
  const sheet = (
    <ScrollView style={{ flex: 1 }} contentContainerStyle={broad} testID="build">
      <Text kind="title">{shown.title}</Text>
      {!proposes && <Standing taken={taken} />}
      {(!empty || proposes) && <Page name={shown.name} taken={taken} />}
    </ScrollView>
  );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      {!empty && (
        <ScrollView style={{ flexGrow: 0, width: 252 }} contentContainerStyle={{ padding: SPACE.m }}>
          <BuildPages taken={taken} at={shown.name} onChoose={choose} />
        </ScrollView>
      )}
      {beside ? (
        <PointingContext value={setPointed}>
          {sheet}
          <PlanBeside pointed={pointed} section={shown.name === 'dig'} />
        </PointingContext>
      ) : (
        sheet
      )}
    </View>
  );
}

const narrow = { padding: SPACE.l, gap: SPACE.l, width: '100%', maxWidth: 700 } as const;
const broad = { padding: SPACE.l, gap: SPACE.l, width: '100%', maxWidth: 1400 } as const;

/** What stands against buying, offering and digging, and what could not be counted. */
function Standing({ taken: { parts, missing } }: { taken: TakeOff }) {
  const { job, plan } = useJob();
  const go = useGo();
  return (
    <>
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
      {parts.length === 0 && (
        <>
          <Text>Nothing is laid yet. Lead a downspout or a basin to a way out, and what it takes is counted here.</Text>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Propose plans" onPress={() => go('build', '~proposed')} />
          </View>
        </>
      )}
    </>
  );
}

function Page({ name, taken }: { name: PageName; taken: TakeOff }) {
  const go = useGo();
  const open = (id: string): void => go('build', id);
  const seesPrices = useMay('prices');
  if (OF_MONEY.has(name) && !seesPrices) return <NoPrices />;
  switch (name) {
    case 'part':
    case 'place':
      return <PartsSheet taken={taken} by={name} onGo={open} />;
    case 'price':
      return <PriceSheet taken={taken} />;
    case 'ways':
      return <WaysSheet />;
    case 'proposed':
      return <ProposedSheet />;
    case 'options':
      return <OptionsSheet />;
    case 'clear':
      return <ClearSheet taken={taken} />;
    case 'days':
      return <DaysSheet taken={taken} />;
    case 'dig':
      return <DigSheet />;
    case 'tables':
      return <TablesSheet taken={taken} onGo={open} />;
    case 'paper':
      return <PaperSheet />;
  }
}
