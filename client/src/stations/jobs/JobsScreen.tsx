/** All jobs with their verdicts; new, from a file, copy, take out and bring back. */
import {
  freshId,
  jobFrom,
  MAX_ELEMENTS,
  readFileText,
  toFile,
  type Element,
  type Fault,
  type JobRow,
} from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import Copy from 'lucide-react-native/icons/copy';
import Download from 'lucide-react-native/icons/download';
import FileUp from 'lucide-react-native/icons/file-up';
import Plus from 'lucide-react-native/icons/plus';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { api } from '../../data/api';
import { pickFile, saveFile } from '../../data/files';
import { useJobRows, useUnsentRows } from '../../data/queries';
import { JOBS_KEY, startJob } from '../../data/sessions';
import { usePalette, useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark, MARK_WORDS } from '../../ui/Mark';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { slug } from '../../elements/job';

const make = (palette: Palette) => ({
  page: { flex: 1, backgroundColor: palette.ground },
  body: {
    width: '100%' as const,
    maxWidth: 860,
    alignSelf: 'center' as const,
    padding: SPACE.l,
    gap: SPACE.l,
    paddingBottom: 80,
  },
  row: { borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: SPACE.m, gap: SPACE.xs },
  open: { flexDirection: 'row' as const, gap: SPACE.m, alignItems: 'flex-start' as const, minHeight: 56 },
  tools: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.xs, marginLeft: 36 },
  strip: { backgroundColor: palette.bank, padding: SPACE.m, gap: SPACE.s },
});

const NEAR_MB = 12;

export function JobsScreen() {
  const styles = useStyles(make);
  const router = useRouter();
  const client = useQueryClient();
  const rows = useJobRows();
  const [gone, setGone] = useState<JobRow | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [faults, setFaults] = useState<{ file: string; faults: Fault[] } | null>(null);
  const refresh = (): void => void client.invalidateQueries({ queryKey: JOBS_KEY });
  const unsent = useUnsentRows();
  const all = [...unsent, ...(rows.data ?? []).filter((row) => !unsent.some((other) => other.id === row.id))];
  const start = (elements: Element[]): void => {
    const id = freshId('j');
    startJob(id, elements, client);
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
    const file = await pickFile('.json,application/json');
    if (!file) return;
    if (file.size > NEAR_MB * 1e6)
      return setFaults({
        file: file.name,
        faults: [
          {
            path: 'file',
            sentence: `is ${Math.round(file.size / 1e6)} MB; a job file is at most ${NEAR_MB} MB and ${MAX_ELEMENTS} elements`,
          },
        ],
      });
    const read = readFileText(await file.text());
    if (read.ok) start([...read.job.elements]);
    else setFaults({ file: file.name, faults: read.faults });
  };
  const copy = (row: JobRow): Promise<void> =>
    attempt(async () => {
      const { elements } = await api.job(row.id);
      start(
        elements.map(({ element }) =>
          element.kind === 'job' ? { ...element, name: `${element.name}, copy`.slice(0, 120) } : element,
        ),
      );
    }, 'The copy was not made.');
  const save = (row: JobRow): Promise<void> =>
    attempt(async () => {
      const { elements } = await api.job(row.id);
      saveFile(
        `${slug(row.name)}.katabasis.json`,
        JSON.stringify(
          toFile(
            jobFrom(
              row.id,
              elements.map(({ element }) => element),
            ),
          ),
          null,
          2,
        ),
      );
    }, 'The file was not written.');
  const remove = (row: JobRow): Promise<void> =>
    attempt(async () => {
      await api.remove(row.id);
      setGone(row);
    }, 'It was not taken out.');
  const restore = (): Promise<void> =>
    attempt(async () => {
      if (gone) await api.restore(gone.id);
      setGone(null);
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
        {gone && (
          <View style={styles.strip} role="status">
            <Text>{gone.name} was taken out.</Text>
            <View style={{ flexDirection: 'row' }}>
              <Button label="Bring it back" onPress={() => void restore()} />
            </View>
          </View>
        )}
        {rows.isError && (
          <Notice
            title="The server is out of reach"
            action={<Button label="Try again" onPress={() => void rows.refetch()} />}
          >
            {all.length > 0
              ? 'These are the jobs as this device last saw them. You can go on working; changes are kept here and sent later.'
              : 'No jobs have been read on this device yet.'}
          </Notice>
        )}
        {rows.isPending && all.length === 0 && <Notice title="Reading the jobs" />}
        {rows.data && all.length === 0 && (
          <Notice title="No jobs yet">
            Start one with three answers: the roof over each downspout, how far the pipe goes, and where the water may
            come out.
          </Notice>
        )}
        <View role="list">
          {all.map((row) => (
            <Job key={row.id} row={row} unsent={unsent.includes(row)} onCopy={copy} onSave={save} onRemove={remove} />
          ))}
        </View>
      </ScrollView>
    </View>
  );
}

interface JobProps {
  row: JobRow;
  unsent: boolean;
  onCopy: (row: JobRow) => void;
  onSave: (row: JobRow) => void;
  onRemove: (row: JobRow) => void;
}

function Job({ row, unsent, onCopy, onSave, onRemove }: JobProps) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  const router = useRouter();
  return (
    <View style={styles.row} role="listitem">
      <Pressable
        role="link"
        aria-label={`${row.name}. ${MARK_WORDS[row.verdict.state]}. ${row.verdict.sentence}`}
        onPress={() => router.navigate(`/job/${row.id}/plan`)}
        style={styles.open}
      >
        <Mark kind={row.verdict.state} size={24} />
        <View style={{ flex: 1 }}>
          <Text kind="heading" role="none" style={{ color: ink }}>
            {row.name}
          </Text>
          <Text>{row.verdict.sentence}</Text>
          <Text kind="small">
            {unsent
              ? 'Kept on this device, not yet on the server'
              : [
                  row.site,
                  `changed ${new Date(row.updatedAt).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}`,
                ]
                  .filter(Boolean)
                  .join(' · ')}
          </Text>
        </View>
      </Pressable>
      {!unsent && (
        <View style={styles.tools}>
          <Button label={`Copy ${row.name}`} icon={Copy} iconOnly kind="bare" onPress={() => onCopy(row)} />
          <Button
            label={`Save ${row.name} as a job file`}
            icon={Download}
            iconOnly
            kind="bare"
            onPress={() => onSave(row)}
          />
          <Button label={`Take out ${row.name}`} icon={Trash} iconOnly kind="bare" onPress={() => onRemove(row)} />
        </View>
      )}
    </View>
  );
}

const MAX_SHOWN = 200;

function Faults({ file, faults, onClose }: { file: string; faults: Fault[]; onClose: () => void }) {
  const styles = useStyles(make);
  return (
    <View style={styles.strip} role="alert">
      <Text kind="strong">
        {file} was not taken in. {faults.length === 1 ? 'One thing is' : `${faults.length} things are`} wrong with it:
      </Text>
      {faults.slice(0, MAX_SHOWN).map((fault) => (
        <Text key={`${fault.path} ${fault.sentence}`}>
          {fault.path} {fault.sentence}.
        </Text>
      ))}
      {faults.length > MAX_SHOWN && <Text>and {faults.length - MAX_SHOWN} more of the kind.</Text>}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Close" onPress={onClose} />
      </View>
    </View>
  );
}
