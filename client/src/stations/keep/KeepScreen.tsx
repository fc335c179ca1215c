/** The Keep station: did it work, and who looks after it? Tests and visits beside what the plan gives, care by date, complaints. */
import { nameOf, VISIT_TYPES, type VisitType } from '@katabasis/core';
import { visitLabel } from '@katabasis/core/visits';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { ElementSheet } from '../../elements/ElementSheet';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { useShort, useWide } from '../../theme/theme';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { NoPrices } from '../NoPrices';
import { useAt } from '../useAt';
import { useGo } from '../useGo';
import { AsBuiltPage } from './built/AsBuiltPage';
import { CarePage } from './CarePage';
import { ComplaintsPage } from './ComplaintsPage';
import { DrainDownPage } from './DrainDownPage';
import { HosePage } from './HosePage';
import { KeepList } from './KeepList';
import { NewVisit, type NewType } from './written/NewVisit';
import { OldPage } from './OldPage';
import { OutcomePage } from './came/OutcomePage';
import { VisitPage } from './VisitPage';
import { WarrantyPage } from './WarrantyPage';

interface Page {
  title: string;
  body: ReactNode;
}

const isNewType = (type: string): type is NewType =>
  (VISIT_TYPES as readonly string[]).includes(type) && type !== 'hose' && type !== 'drainDown';

/** The page that an address opens; null for none of them. */
function usePage(at: string | null): Page | null {
  const { job } = useJob();
  const seesPrices = useMay('prices');
  if (at === null) return null;
  const [head, ...rest] = at.slice(1).split('-');
  const of = rest.join('-');
  switch (head) {
    case 'hose':
      return { title: `Hose test at ${nameOf(job, of)}`, body: <HosePage key={of} landing={of} /> };
    case 'visit':
      return { title: 'Visit', body: <VisitPage key={of} id={of} /> };
    case 'drain':
      return { title: visitLabel('drainDown'), body: <DrainDownPage /> };
    case 'new':
      return isNewType(of) ? { title: visitLabel(of as VisitType), body: <NewVisit key={of} type={of} /> } : null;
    case 'care':
      return { title: 'Care', body: <CarePage /> };
    case 'built':
      return { title: 'As built', body: <AsBuiltPage /> };
    case 'complaints':
      return { title: 'Complaints', body: <ComplaintsPage /> };
    case 'old':
      return { title: 'Old pipe', body: <OldPage /> };
    case 'out':
      return { title: 'How it came out', body: seesPrices ? <OutcomePage /> : <NoPrices /> };
    case 'warranty':
      return { title: 'Warranty and agreements', body: <WarrantyPage /> };
    default:
      return null;
  }
}

const narrow = { padding: SPACE.l, gap: SPACE.l, width: '100%', maxWidth: 700 } as const;

export function KeepScreen() {
  const go = useGo();
  const at = useAt();
  const wide = useWide();
  const short = useShort();
  const page = usePage(at);
  if (at !== null && !at.startsWith('~'))
    return <ElementSheet id={at} onClose={() => go('keep', null)} onGo={(id) => go('keep', id)} />;
  if (!wide || short)
    return (
      <ScrollView key={at} contentContainerStyle={narrow} testID="keep">
        {page ? (
          <>
            <View style={{ flexDirection: 'row' }}>
              <Button label="All of Keep" kind="bare" onPress={() => go('keep', null)} />
            </View>
            <Text kind="title">{page.title}</Text>
            {page.body}
          </>
        ) : (
          <>
            <Text kind="title">Keep</Text>
            <KeepList at={null} />
          </>
        )}
      </ScrollView>
    );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <ScrollView style={{ flexGrow: 0, width: 400 }} contentContainerStyle={{ padding: SPACE.l, gap: SPACE.l }}>
        <KeepList at={at} />
      </ScrollView>
      <ScrollView key={at} style={{ flex: 1 }} contentContainerStyle={narrow} testID="keep">
        <Text kind="title">{page?.title ?? 'Keep'}</Text>
        {page?.body ?? (
          <Text>
            Choose where water is poured in, or what was looked at: what the plan gives for just that stands beside it.
          </Text>
        )}
      </ScrollView>
    </View>
  );
}
