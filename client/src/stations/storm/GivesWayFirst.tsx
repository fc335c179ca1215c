/** What gives way first: every layer of defence in every storm that the job can meet, filled in as each is tried. */
import type { GivesWaySaid } from '@katabasis/core/simulation';
import { useState } from 'react';
import { View } from 'react-native';
import { findGivesWay } from '../../planning/storms';
import { useJob } from '../../planning/useJob';
import { useWorked } from '../../planning/useWorked';
import { useWide } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import type { Asked } from './asked';
import { CaseList } from './CaseList';
import { CellWorking } from './CellWorking';
import { LayerTable } from './LayerTable';

export function GivesWayFirst({ onGo }: { onGo: (id: string) => void }) {
  const { job, plan } = useJob();
  const wide = useWide();
  const now = useWorked<GivesWaySaid>([job], (signal, give) => findGivesWay(job, { signal }, give)) ?? null;
  const [last, setLast] = useState<GivesWaySaid | null>(null);
  const isWhole = now !== null && now.done === now.of;
  if (isWhole && now !== last) setLast(now);
  // While another is worked out the last one stands: nothing jumps under the eye.
  const found = isWhole ? now : (last ?? now);
  const [asked, setAsked] = useState<Asked | null>(null);
  if (!found) return <Text role="status">Trying the storms.</Text>;
  return (
    <>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }} aria-live="polite">
        <Mark kind={found.mark} size={28} />
        <View style={{ flex: 1 }}>
          <Text kind="heading">{found.sentence}</Text>
          {now && !isWhole && (
            <Text kind="small" role="status">
              {now.done} of {now.of} storms are tried.
            </Text>
          )}
        </View>
      </View>
      {plan.verdict.state === 'stop' && (
        <Text>The plan has a Stop of its own. Put that right first: here the lines are tried as they are drawn.</Text>
      )}
      {found.drowning.map(({ outlet, words }) => (
        <Text key={outlet}>{words}</Text>
      ))}
      <Text kind="small">
        Each is a storm of one hour. A pit or bed that only a longer rain fills is judged in the plan.
      </Text>
      {wide ? (
        <LayerTable found={found} asked={asked} onAsk={setAsked} />
      ) : (
        <CaseList found={found} asked={asked} onAsk={setAsked} />
      )}
      {wide && asked && <CellWorking found={found} asked={asked} onGo={onGo} onBack={() => setAsked(null)} />}
    </>
  );
}
