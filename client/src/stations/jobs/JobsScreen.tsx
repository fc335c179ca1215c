/** All jobs with their verdicts; new, from a file, copy, take out and bring back. */
import type { Fault } from '@katabasis/core';
import { JOB_STATES, type JobRow as JobRowData, type JobState } from '@katabasis/core/first';
import { useRouter } from 'expo-router';
import Briefcase from 'lucide-react-native/icons/briefcase';
import ClipboardCheck from 'lucide-react-native/icons/clipboard-check';
import FileUp from 'lucide-react-native/icons/file-up';
import Plus from 'lucide-react-native/icons/plus';
import Smartphone from 'lucide-react-native/icons/smartphone';
import Trash from 'lucide-react-native/icons/trash';
import { useDeferredValue, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { useJobList, useUnsentRows, useWaiting } from '../../sync/queries';
import { mayBegin } from '../../sync/device/mayBegin';
import { TextBox } from '../../input/TextBox';
import { useShort, useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice, type Option } from '../../ui/Choice';
import { Notice } from '../../ui/Notice';
import { pageColumn } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { STATE_WORDS } from '../../elements/jobWords';
import { JobBeside } from './JobBeside';
import { JobRow } from './JobRow';
import { useJobActions } from './useJobActions';
import { OutOfReach } from '../OutOfReach';

const make = (palette: Palette) => ({
  page: { flex: 1, backgroundColor: palette.ground },
  wide: { flexDirection: 'row' as const },
  body: pageColumn,
  strip: { backgroundColor: palette.bank, padding: SPACE.m, gap: SPACE.s },
});

const AS_LAST_SEEN =
  'These are the jobs as this device last saw them. You can go on working; changes are kept here and sent later.';
const NONE_READ = 'No jobs have been read on this device yet.';

const STATES: Option<JobState | 'all'>[] = [
  { value: 'all', label: 'All' },
  ...JOB_STATES.map((value) => ({ value, label: STATE_WORDS[value] })),
];

/** The jobs that are asked for, those first that this device has not sent yet. */
function useRows(find: string, state: JobState | 'all') {
  const asked = useDeferredValue(find.trim());
  const list = useJobList({ ...(asked === '' ? {} : { find: asked }), ...(state === 'all' ? {} : { state }) });
  const waiting = useWaiting();
  const narrowed = asked !== '' || state !== 'all';
  const own = useUnsentRows();
  const unsent = narrowed
    ? own.filter(({ name }) => asked !== '' && name.toLowerCase().includes(asked.toLowerCase()))
    : own;
  const pages = list.data?.pages ?? [];
  const rows = pages.flatMap(({ jobs }) => jobs);
  const all = [...unsent, ...rows.filter((row) => !unsent.some((other) => other.id === row.id))];
  const total = pages[0]?.total ?? 0;
  return { list, all, unsent, waiting, narrowed, total, read: rows.length };
}

/** `today`: what comes over the list once that stands. */
export function JobsScreen({ today }: { today?: ReactNode }) {
  const styles = useStyles(make);
  const [find, setFind] = useState('');
  const [state, setState] = useState<JobState | 'all'>('all');
  const { list, all, unsent, waiting, narrowed, total, read } = useRows(find, state);
  const { said, faults, gone, ...acts } = useJobActions();
  const isWide = useWide();
  // A phone on its side has no height for it.
  const wide = !useShort() && isWide;
  const [looked, look] = useState<string | null>(null);
  const beside = wide ? (all.find(({ id }) => id === looked) ?? all[0]) : undefined;
  return (
    <View style={[styles.page, wide && styles.wide]} role="main">
      <ScrollView style={styles.page} contentContainerStyle={styles.body}>
        <Head onOpen={() => void acts.open()} />
        {said !== null && (
          <View style={styles.strip} role="alert">
            <Text>{said}</Text>
          </View>
        )}
        {faults && <Faults {...faults} onClose={acts.readFaults} />}
        <TakenOut rows={gone} onRestore={(row) => void acts.restore(row)} />
        {list.isError && (
          <OutOfReach
            error={list.error}
            rest={all.length > 0 ? AS_LAST_SEEN : NONE_READ}
            onRetry={() => void list.refetch()}
          />
        )}
        {list.data && today}
        {(total > 1 || narrowed) && (
          <View style={{ gap: SPACE.s }}>
            <TextBox
              label="Find by name, client, address or day"
              words
              text={find}
              onText={setFind}
              usual="kennel, or 2026-03"
              testID="find-job"
            />
            <Choice label="How far it has come" hideLabel value={state} options={STATES} onChoose={setState} />
          </View>
        )}
        {all.length === 0 && list.isPending && <Notice title="Reading the jobs" />}
        {all.length === 0 && list.data && <NoJobs narrowed={narrowed} onLook={() => void acts.lookRound()} />}
        <View role="list">
          {all.map((row) => (
            <JobRow
              key={row.id}
              row={row}
              unsent={unsent.includes(row)}
              waiting={waiting.get(row.id) ?? 0}
              onCopy={(each) => void acts.copy(each)}
              onSave={(each) => void acts.save(each)}
              onRemove={(each) => void acts.remove(each)}
              {...(wide ? { onLook: (each: JobRowData) => look(each.id), looked: row === beside } : {})}
            />
          ))}
        </View>
        {list.hasNextPage && (
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
            <Button label="Show more" onPress={() => void list.fetchNextPage()} />
            <Text kind="small">
              {read} of {total}
            </Text>
          </View>
        )}
        <Aside />
      </ScrollView>
      {beside && <JobBeside row={beside} />}
    </View>
  );
}

/** What the page is, and how a job is begun, for who plans. */
function Head({ onOpen }: { onOpen: () => void }) {
  const router = useRouter();
  return (
    <>
      <View>
        <Text kind="title">Jobs</Text>
        <Text tone="soft">Every job is one way down: from the roof to where the water harms nobody.</Text>
      </View>
      {mayBegin() && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="New job" icon={Plus} kind="main" onPress={() => router.navigate('/new')} />
          <Button label="Open a job file" icon={FileUp} onPress={onOpen} />
        </View>
      )}
    </>
  );
}

function TakenOut({ rows, onRestore }: { rows: readonly JobRowData[]; onRestore: (row: JobRowData) => void }) {
  const styles = useStyles(make);
  return rows.map((row) => (
    <View key={row.id} style={styles.strip} role="status">
      <Text>{row.name} was taken out.</Text>
      <View style={{ flexDirection: 'row' }}>
        <Button label="Bring it back" onPress={() => onRestore(row)} />
      </View>
    </View>
  ));
}

/** Where what is seldom wanted is. */
function Aside() {
  const router = useRouter();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
      <Button label="Rounds" icon={ClipboardCheck} kind="bare" onPress={() => router.navigate('/rounds')} />
      <Button label="Taken out" icon={Trash} kind="bare" onPress={() => router.navigate('/bin')} />
      <Button label="Company" icon={Briefcase} kind="bare" onPress={() => router.navigate('/company')} />
      <Button label="Devices" icon={Smartphone} kind="bare" onPress={() => router.navigate('/devices')} />
    </View>
  );
}

const NoJobs = ({ narrowed, onLook }: { narrowed: boolean; onLook: () => void }) =>
  narrowed ? (
    <Notice title="No job is like that">Look for less, or for all.</Notice>
  ) : (
    <Notice
      title="No jobs yet"
      action={<Button label="Look round a sample first" onPress={onLook} testID="look-round-sample" />}
    >
      Start one with three answers: the roof over each downspout, how far the pipe goes, and where the water may come
      out. Or look round a made-up clinic for a minute, by doing.
    </Notice>
  );

/** How many they are, as a sentence begins; the last of very many says only how many more there were. */
function countOf(faults: readonly Fault[]): string {
  if (faults.at(-1)?.path === 'and') return `More than ${faults.length - 1} things are`;
  return faults.length === 1 ? 'One thing is' : `${faults.length} things are`;
}

function Faults({ file, faults, onClose }: { file: string; faults: Fault[]; onClose: () => void }) {
  const styles = useStyles(make);
  return (
    <View style={styles.strip} role="alert">
      <Text kind="strong">
        {file} was not taken in. {countOf(faults)} wrong with it:
      </Text>
      {faults.map((fault, k) => (
        <Text key={k}>
          {fault.path} {fault.sentence}.
        </Text>
      ))}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Close" onPress={onClose} />
      </View>
    </View>
  );
}
