/** What is done with whole jobs from their list: opened from a file, copied, saved, taken out and brought back; what came of it is said. */
import type { Element, Fault } from '@katabasis/core';
import { freshId, type JobRow } from '@katabasis/core/first';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { pickFile, saveFile, slug } from '../../files/files';
import { BIN_KEY, JOBS_KEY } from '../../sync/keys';
import { lazyPart } from '../../sync/lazyPart';

interface JobActions {
  /** What did not go, in a sentence. */
  said: string | null;
  /** What is wrong in the file that was opened. */
  faults: { file: string; faults: Fault[] } | null;
  /** Jobs taken out here, the last first. */
  gone: readonly JobRow[];
  open: () => Promise<void>;
  readFaults: () => void;
  /** Begins on a sample, looked round by doing. */
  lookRound: () => Promise<void>;
  copy: (row: JobRow) => Promise<void>;
  save: (row: JobRow) => Promise<void>;
  remove: (row: JobRow) => Promise<void>;
  restore: (row: JobRow) => Promise<void>;
}

export function useJobActions(): JobActions {
  const router = useRouter();
  const client = useQueryClient();
  const [gone, setGone] = useState<JobRow[]>([]);
  const [said, setSaid] = useState<string | null>(null);
  const [faults, setFaults] = useState<JobActions['faults']>(null);
  const refresh = (): void => {
    void client.invalidateQueries({ queryKey: JOBS_KEY });
    void client.invalidateQueries({ queryKey: BIN_KEY });
  };
  const start = async (elements: Element[]): Promise<string> => {
    const { freeJobName, startJob } = await lazyPart();
    const id = freshId('j');
    const named = elements.map((element) =>
      element.kind === 'job' ? { ...element, name: freeJobName(client, element.name) } : element,
    );
    startJob(id, named, client);
    router.navigate(`/job/${id}/plan`);
    return id;
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
    const { readJob } = await lazyPart();
    const read = await readJob(file);
    if (read.ok) await start([...read.job.elements]);
    else setFaults({ file: file.name, faults: read.faults });
  };
  const copy = (row: JobRow): Promise<void> =>
    attempt(async () => {
      const { api } = await lazyPart();
      const { elements } = await api.job(row.id);
      await start(
        elements.map(({ element }) =>
          element.kind === 'job' ? { ...element, name: `${element.name}, copy`.slice(0, 120) } : element,
        ),
      );
    }, 'The copy was not made.');
  const lookRound = (): Promise<void> =>
    attempt(async () => {
      const { beginLookRound, sample } = await lazyPart();
      beginLookRound(await start([...sample().elements]));
    }, 'The sample was not begun.');
  const save = (row: JobRow): Promise<void> =>
    attempt(async () => {
      const { api, jobFrom, saveJob } = await lazyPart();
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
  const remove = (row: JobRow): Promise<void> =>
    attempt(async () => {
      await (await lazyPart()).api.remove(row.id);
      setGone((before) => [row, ...before]);
    }, 'It was not taken out.');
  const restore = (row: JobRow): Promise<void> =>
    attempt(async () => {
      await (await lazyPart()).api.restore(row.id);
      setGone((before) => before.filter(({ id }) => id !== row.id));
    }, 'It was not brought back.');
  return { said, faults, gone, open, readFaults: () => setFaults(null), lookRound, copy, save, remove, restore };
}
