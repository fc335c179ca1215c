/** All jobs with their verdicts; new, from a file, copy, take out and bring back. */
import type { Element, Fault } from '@katabasis/core';
import { freshId, JOB_STATES, type JobRow as JobRowData, type JobState } from '@katabasis/core/first';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import FileUp from 'lucide-react-native/icons/file-up';
import Plus from 'lucide-react-native/icons/plus';
import Smartphone from 'lucide-react-native/icons/smartphone';
import Trash from 'lucide-react-native/icons/trash';
import { useDeferredValue, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { pickFile, saveFile, slug } from '../../files/files';
import { useJobList, useUnsentRows, useWaiting } from '../../sync/queries';
import { BIN_KEY, JOBS_KEY } from '../../sync/keys';
import { late } from '../../sync/late';
import { TextBox } from '../../input/TextBox';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice, type Option } from '../../ui/Choice';
import { Notice } from '../../ui/Notice';
import { pageColumn } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { STATE_WORDS } from '../../elements/jobWords';
import { JobRow } from './JobRow';
import { OutOfReach } from '../OutOfReach';

const make = (palette: Palette) => ({
  page: { flex: 1, backgroundColor: palette.ground },
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

export function JobsScreen() {
  const styles = useStyles(make);
  const router = useRouter();
  const client = useQueryClient();
  const [find, setFind] = useState('');
  const [state, setState] = useState<JobState | 'all'>('all');
  const asked = useDeferredValue(find.trim());
  const list = useJobList({ ...(asked === '' ? {} : { find: asked }), ...(state === 'all' ? {} : { state }) });
  const [gone, setGone] = useState<JobRowData[]>([]);
  const [said, setSaid] = useState<string | null>(null);
  const [faults, setFaults] = useState<{ file: string; faults: Fault[] } | null>(null);
  const refresh = (): void => {
    void client.invalidateQueries({ queryKey: JOBS_KEY });
    void client.invalidateQueries({ queryKey: BIN_KEY });
  };
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
  const start = async (elements: Element[]): Promise<void> => {
    const { freeJobName, startJob } = await late();
    const id = freshId('j');
    const named = elements.map((element) =>
      element.kind === 'job' ? { ...element, name: freeJobName(client, element.name) } : element,
    );
    startJob(id, named, client);
    router.navigate(`/job/${id}/plan`);
  };
  const attempt = async (act: () => Promise<void>, failed: string): Promise<void> => {
    try {
      await act();
      setSaid(null);
    } catch (error) {
      setSaid(`${failed} ${(error as Error).message}`);
    }
    refresh();
  };
  const open = async (): Promise<void> => {
    setFaults(null);
    const file = await pickFile('.json,.zip,application/json,application/zip');
    if (!file) return;
    const { readJob } = await late();
    const read = await readJob(file);
    if (read.ok) await start([...read.job.elements]);
    else setFaults({ file: file.name, faults: read.faults });
  };
  const copy = (row: JobRowData): Promise<void> =>
    attempt(async () => {
      const { api } = await late();
      const { elements } = await api.job(row.id);
      await start(
        elements.map(({ element }) =>
          element.kind === 'job' ? { ...element, name: `${element.name}, copy`.slice(0, 120) } : element,
        ),
      );
    }, 'The copy was not made.');
  const save = (row: JobRowData): Promise<void> =>
    attempt(async () => {
      const { api, jobFrom, saveJob } = await late();
      // One that cannot be read is given out as it lies.
      if (row.trouble !== undefined) return saveFile(`${slug(row.name)}.rows.json`, await api.raw(row.id));
      const { elements } = await api.job(row.id);
      const job = jobFrom(
        row.id,
        elements.map(({ element }) => element),
      );
      const left = await saveJob(job);
      if (left !== null) throw new Error(left);
    }, 'The file is not whole.');
  const remove = (row: JobRowData): Promise<void> =>
    attempt(async () => {
      await (await late()).api.remove(row.id);
      setGone((before) => [row, ...before]);
    }, 'It was not taken out.');
  const restore = (row: JobRowData): Promise<void> =>
    attempt(async () => {
      await (await late()).api.restore(row.id);
      setGone((before) => before.filter(({ id }) => id !== row.id));
    }, 'It was not brought back.');
  return (
    <View style={styles.page} role="main">
      <ScrollView contentContainerStyle={styles.body}>
        <View>
          <Text kind="title">Jobs</Text>
          <Text tone="soft">Every job is one way down: from the roof to where the water harms nobody.</Text>
        </View>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="New job" icon={Plus} kind="main" onPress={() => router.navigate('/new')} />
          <Button label="Open a job file" icon={FileUp} onPress={() => void open()} />
        </View>
        {said !== null && (
          <View style={styles.strip} role="alert">
            <Text>{said}</Text>
          </View>
        )}
        {faults && <Faults {...faults} onClose={() => setFaults(null)} />}
        {gone.map((row) => (
          <View key={row.id} style={styles.strip} role="status">
            <Text>{row.name} was taken out.</Text>
            <View style={{ flexDirection: 'row' }}>
              <Button label="Bring it back" onPress={() => void restore(row)} />
            </View>
          </View>
        ))}
        {list.isError && (
          <OutOfReach
            error={list.error}
            rest={all.length > 0 ? AS_LAST_SEEN : NONE_READ}
            onRetry={() => void list.refetch()}
          />
        )}
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
        {list.isPending && all.length === 0 && <Notice title="Reading the jobs" />}
        {list.data && all.length === 0 && narrowed && (
          <Notice title="No job is like that">Look for less, or for all.</Notice>
        )}
        {list.data && all.length === 0 && !narrowed && (
          <Notice title="No jobs yet">
            Start one with three answers: the roof over each downspout, how far the pipe goes, and where the water may
            come out.
          </Notice>
        )}
        <View role="list">
          {all.map((row) => (
            <JobRow
              key={row.id}
              row={row}
              unsent={unsent.includes(row)}
              waiting={waiting.get(row.id) ?? 0}
              onCopy={(each) => void copy(each)}
              onSave={(each) => void save(each)}
              onRemove={(each) => void remove(each)}
            />
          ))}
        </View>
        {list.hasNextPage && (
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
            <Button label="Show more" onPress={() => void list.fetchNextPage()} />
            <Text kind="small">
              {rows.length} of {total}
            </Text>
          </View>
        )}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="Taken out" icon={Trash} kind="bare" onPress={() => router.navigate('/bin')} />
          <Button label="Devices" icon={Smartphone} kind="bare" onPress={() => router.navigate('/devices')} />
        </View>
      </ScrollView>
    </View>
  );
}

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
