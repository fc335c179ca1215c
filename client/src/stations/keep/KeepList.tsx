/** What can be tested, what was, and what is due: a visit is begun in two taps from here. */
import { ofKind, type Job, type Visit, type VisitType } from '@katabasis/core';
import { duesOf } from '@katabasis/core/care';
import { drains, leadsOut, openHose, visitLabel, visitsOf, visitTitle, watch } from '@katabasis/core/visits';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { sayDay, todayOf } from '../../parts/today';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import type { MarkKind } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useGo } from '../useGo';
import { KeepRow } from './KeepRow';
import { sayMoment } from './moments';
import { useRunningClock } from './useRunningClock';

/** Visits shown before the rest is asked for. */
const FIRST = 8;
const OTHERS: readonly VisitType[] = ['rain', 'clean', 'levels', 'hold', 'pitch', 'camera', 'jars', 'look'];

interface ListProps {
  /** The page that is open. */
  at: string | null;
}

export function KeepList({ at }: ListProps) {
  const { job } = useJob();
  const visits = useMemo(() => visitsOf(job), [job]);
  return (
    <>
      <Standing at={at} />
      <Pours at={at} visits={visits} />
      <WriteDown />
      <Visits at={at} visits={visits} />
    </>
  );
}

/** Care, complaints and what was built, each with how it stands. */
function Standing({ at }: ListProps) {
  const { job, plan } = useJob();
  const go = useGo();
  const today = todayOf();
  const seesPrices = useMay('prices');
  const dues = useMemo(() => duesOf(job, plan, today), [job, plan, today]);
  const late = dues.filter(({ on }) => on <= today).length;
  const complaints = ofKind(job, 'complaint').filter(({ closedOn }) => closedOn === undefined).length;
  const next = dues[0] ? `Next ${sayDay(dues[0].on)}: ${dues[0].task.title}` : 'Nothing to look after yet';
  const rows: readonly { page: string; title: string; about?: string; mark?: MarkKind }[] = [
    { page: 'care', title: 'Care', mark: late > 0 ? 'fix' : 'holds', about: late > 0 ? `${late} due now` : next },
    {
      page: 'complaints',
      title: 'Complaints',
      mark: complaints > 0 ? 'fix' : 'holds',
      about: complaints > 0 ? `${complaints} open` : 'None open',
    },
    { page: 'built', title: 'As built', about: 'What lies where, and how deep' },
    { page: 'warranty', title: 'Warranty and agreements' },
    ...(ofKind(job, 'run').some(({ old }) => old?.fate === 'kept')
      ? [{ page: 'old', title: 'Old pipe', about: 'What nobody knows of it, and what to look at next' }]
      : []),
    ...(seesPrices ? [{ page: 'out', title: 'How it came out', about: cameOutWords(job) }] : []),
  ];
  return (
    <View>
      {rows.map(({ page, ...shown }) => (
        <KeepRow
          key={page}
          {...shown}
          here={at === `~${page}`}
          onPress={() => go('keep', `~${page}`)}
          testID={`keep-${page}`}
        />
      ))}
    </View>
  );
}

/** How far it is told how the job came out. */
function cameOutWords(job: Job): string {
  const [outcome] = ofKind(job, 'outcome');
  const steps = ofKind(job, 'step').filter(({ took }) => took !== undefined).length;
  if (outcome?.settledOn !== undefined) return `Settled ${sayDay(outcome.settledOn)}`;
  if (outcome || steps > 0) return 'Not settled yet';
  return 'Hours, costs and what was left';
}

/** Every inlet that a line leads on from, with how its last test came out. */
function Pours({ at, visits }: ListProps & { visits: readonly Visit[] }) {
  const { job, plan } = useJob();
  const go = useGo();
  const pours = useMemo(
    () =>
      [...ofKind(job, 'downspout'), ...ofKind(job, 'basin'), ...ofKind(job, 'channel')].filter(({ id }) =>
        leadsOut(job, plan, id),
      ),
    [job, plan],
  );
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Pour water into</Text>
      {pours.length === 0 && (
        <Text>No inlet leads to a way out yet: lead a line there, and it can be tested here.</Text>
      )}
      <View>
        {pours.map(({ id, name }) => (
          <KeepRow
            key={id}
            title={name}
            {...(openHose(job, id) ? { about: 'The water is running', mark: 'mind' as const } : lastOf(visits, id))}
            here={at === `~hose-${id}`}
            onPress={() => go('keep', `~hose-${id}`)}
            testID={`pour-${id}`}
          />
        ))}
      </View>
    </View>
  );
}

function WriteDown() {
  const { job } = useJob();
  const go = useGo();
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Or write down</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {OTHERS.map((type) => (
          <Button
            key={type}
            label={visitLabel(type)}
            onPress={() => go('keep', `~new-${type}`)}
            testID={`new-${type}`}
          />
        ))}
        {drains(job).length > 0 && (
          <Button label={visitLabel('drainDown')} onPress={() => go('keep', '~drain')} testID="new-drainDown" />
        )}
      </View>
    </View>
  );
}

function Visits({ at, visits }: ListProps & { visits: readonly Visit[] }) {
  const [all, setAll] = useState(false);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Visits</Text>
      {visits.length === 0 && (
        <Text>
          None yet. Run water through every line before its trench is covered: it takes minutes, and is kept here.
        </Text>
      )}
      <View>
        {(all ? visits : visits.slice(0, FIRST)).map((visit) => (
          <VisitRow key={visit.id} visit={visit} here={at === `~visit-${visit.id}`} />
        ))}
      </View>
      {!all && visits.length > FIRST && (
        <View style={{ flexDirection: 'row' }}>
          <Button label={`All ${visits.length} visits`} kind="bare" onPress={() => setAll(true)} />
        </View>
      )}
    </View>
  );
}

/** How the last hose test of an inlet came out. */
function lastOf(visits: readonly Visit[], id: string): { about?: string; mark?: MarkKind } {
  const last = visits.find(({ test, said }) => said && test.type === 'hose' && test.into === id);
  if (!last) return { mark: 'empty', about: 'Not tested yet' };
  const { asPlanned } = last.said!;
  return {
    mark: asPlanned === false ? 'fix' : asPlanned ? 'holds' : 'empty',
    about: `${asPlanned === false ? 'Off' : asPlanned ? 'As planned' : 'Tested'}, ${sayDay(last.at.slice(0, 10))}`,
  };
}

function VisitRow({ visit, here }: { visit: Visit; here: boolean }) {
  const { job } = useJob();
  const go = useGo();
  const { said, test } = visit;
  const clock = useRunningClock(test.type === 'hose' && said === undefined ? test.running : undefined);
  const page = said
    ? `~visit-${visit.id}`
    : test.type === 'hose'
      ? `~hose-${test.into}`
      : test.type === 'drainDown'
        ? '~drain'
        : `~visit-${visit.id}`;
  const about = said
    ? `${sayMoment(visit.at)}. ${said.sentence}`
    : clock && !clock.jumped
      ? `Running for ${watch(clock.seconds)}`
      : 'Not closed yet';
  const mark: MarkKind = !said ? 'mind' : said.asPlanned === undefined ? 'empty' : said.asPlanned ? 'holds' : 'fix';
  return (
    <KeepRow
      mark={mark}
      title={visitTitle(job, visit)}
      about={about}
      here={here}
      onPress={() => go('keep', page)}
      testID="visit-row"
    />
  );
}
