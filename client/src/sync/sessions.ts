/** The sessions of this page, one a job, and how a new job begins. */
import { freeOf, freshId, type Element, type News } from '@katabasis/core';
import type { QueryClient } from '@tanstack/react-query';
import { alone } from './alone';
import { api, type Api } from './api';
import { epochsHeardBy } from './ask';
import { deviceStore } from './device/deviceStore';
import type { PageNews } from './keeping';
import { BIN_KEY, CREW_KEY, FILES_KEY, jobKey, JOBS_KEY, TODAY_KEY, TOLD_KEY, UNSENT_KEY, WAITING_KEY } from './keys';
import { sendFiles, sendLacking, unsentFilesShownBy } from './device/keptFiles';
import { listenToServer } from './news';
import { heardMe } from './device/ownRights';
import { nextPaint } from './afterPaint';
import { Session } from './session';
import type { StoredJob } from './device/stored';

const open = new Map<string, Session>();

/** Between the pages of this device. */
const pages = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('katabasis.jobs');

/** What is asked of one job. What the server said of it before it had it, or before it was laid beside this device's, is forgotten: "there is none". */
function asking(id: string, client: QueryClient): Api {
  const queryKey = jobKey(id);
  const learning = async <T>(asked: Promise<T>): Promise<T> => {
    const answer = await asked;
    if (client.getQueryState(queryKey)?.data === undefined) {
      await client.cancelQueries({ queryKey });
      void client.resetQueries({ queryKey });
    }
    return answer;
  };
  return {
    ...api,
    create: (job, elements) => learning(api.create(job, elements)),
    beside: (job, epoch) => learning(api.beside(job, epoch)),
    restore: (job) => learning(api.restore(job)),
  };
}

function opened(id: string, client: QueryClient, known?: StoredJob): Session {
  const session = new Session(
    id,
    {
      store: deviceStore(),
      api: asking(id, client),
      newId: freshId,
      painted: nextPaint,
      alone: (work) => alone(`epoch.${id}`, work),
      tellPages: (news) => pages?.postMessage({ job: id, news }),
      onSaved: () => {
        void client.invalidateQueries({ queryKey: JOBS_KEY });
        void client.invalidateQueries({ queryKey: UNSENT_KEY });
        void client.invalidateQueries({ queryKey: WAITING_KEY });
      },
      onBehind: () => void client.invalidateQueries({ queryKey: jobKey(id) }),
    },
    known,
  );
  open.set(id, session);
  return session;
}

export const sessionOf = (id: string, client: QueryClient): Session => open.get(id) ?? opened(id, client);

/** A name that no job known here has: that name, or the name with the next free number. */
export function freeJobName(client: QueryClient, name: string): string {
  const lists = client.getQueriesData<{ pages?: { jobs: { name: string }[] }[] }>({ queryKey: JOBS_KEY });
  const unsent = client.getQueryData<{ name: string }[]>(UNSENT_KEY) ?? [];
  const taken = new Set([
    ...lists.flatMap(([, data]) => data?.pages?.flatMap(({ jobs }) => jobs.map((job) => job.name)) ?? []),
    ...unsent.map((job) => job.name),
  ]);
  return freeOf(taken, name);
}

/** Begins a job on this device; it is sent as soon as the server is in reach. */
export function startJob(id: string, elements: readonly Element[], client: QueryClient): void {
  const begun = elements.map((element, place) => ({ version: 1, element, place }));
  void opened(id, client, { seq: -1, unsent: true, elements: begun, waiting: [] }).flush();
  void client.invalidateQueries({ queryKey: UNSENT_KEY });
}

/** Sends what waits on this device, of every job, whichever page is open. */
async function sendAll(client: QueryClient): Promise<void> {
  const stored = await deviceStore().waiting();
  // Those open here as well: what found no room on the device is held by its page only.
  const jobs = new Set([...stored.map(({ job }) => job), ...open.keys()]);
  await Promise.all([...jobs].map((job) => sessionOf(job, client).flush()));
  await sendFiles();
  await client.invalidateQueries({ queryKey: WAITING_KEY });
}

/** The epoch that the server last said it is of. */
let epochHeard: string | null = null;

/** Lays what this device keeps of jobs from another epoch of the server's beside what it has now. */
async function heedEpoch(epoch: string, client: QueryClient): Promise<void> {
  if (epoch === epochHeard) return;
  epochHeard = epoch;
  try {
    for (const job of await deviceStore().ofOtherEpochs(epoch)) await sessionOf(job, client).compare();
  } catch {
    // Asked of again with the next answer.
    epochHeard = null;
  }
}

/** Asks what whoever uses this device may. Without an answer it stays what it was. */
const hearRights = (): void => void api.me().then(heardMe, () => undefined);

/** Takes in what the server tells of by itself. */
function hearServer(news: News, client: QueryClient): void {
  if (news.news === 'listed') {
    void client.invalidateQueries({ queryKey: JOBS_KEY });
    for (const queryKey of [BIN_KEY, TODAY_KEY, TOLD_KEY, CREW_KEY]) void client.invalidateQueries({ queryKey });
    return;
  }
  // What this device did itself it knows already.
  if (open.get(news.job)?.isBehind(news.seq, news.change) === true)
    void client.invalidateQueries({ queryKey: jobKey(news.job) });
}

/** Keeps the sessions in step with the other pages of this device and with other devices, and sends when the network is back. */
export function listenForOthers(client: QueryClient): () => void {
  const hear = ({ data }: MessageEvent<{ job: string; news: PageNews }>): void => open.get(data.job)?.follow(data.news);
  const send = (): void => void sendAll(client).catch(() => undefined);
  epochsHeardBy((epoch) => void heedEpoch(epoch, client));
  unsentFilesShownBy(() => void client.invalidateQueries({ queryKey: FILES_KEY }));
  hearRights();
  send();
  void sendLacking();
  pages?.addEventListener('message', hear);
  window.addEventListener('online', send);
  const deaf = listenToServer(
    (news) => hearServer(news, client),
    () => {
      // In reach again: what was missed meanwhile is asked for, and what waits is sent.
      for (const id of open.keys()) void client.invalidateQueries({ queryKey: jobKey(id) });
      void client.invalidateQueries({ queryKey: JOBS_KEY });
      hearRights();
      send();
      void sendLacking();
    },
  );
  return () => {
    pages?.removeEventListener('message', hear);
    window.removeEventListener('online', send);
    deaf();
  };
}
