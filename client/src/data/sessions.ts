/** The sessions of this page, one a job, and how a new job begins. */
import { freshId, type Element } from '@katabasis/core';
import type { QueryClient } from '@tanstack/react-query';
import { api } from './api';
import { deviceStore } from './deviceStore';
import type { PageNews } from './keeping';
import { sendFiles } from './keptFiles';
import { Session } from './session';
import type { StoredJob } from './stored';

export const JOBS_KEY = ['jobs'] as const;
export const UNSENT_KEY = ['unsent'] as const;
export const jobKey = (id: string): readonly ['job', string] => ['job', id];

const open = new Map<string, Session>();

/** Between the pages of this device. */
const pages = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('katabasis.jobs');

function opened(id: string, client: QueryClient, known?: StoredJob): Session {
  const session = new Session(
    id,
    {
      store: deviceStore(),
      api,
      newId: freshId,
      tellPages: (news) => pages?.postMessage({ job: id, news }),
      onSaved: () => {
        void client.invalidateQueries({ queryKey: JOBS_KEY });
        void client.invalidateQueries({ queryKey: UNSENT_KEY });
      },
      onBehind: () => void client.invalidateQueries({ queryKey: jobKey(id) }),
    },
    known,
  );
  open.set(id, session);
  return session;
}

export const sessionOf = (id: string, client: QueryClient): Session => open.get(id) ?? opened(id, client);

/** Begins a job on this device; it is sent as soon as the server is in reach. */
export function startJob(id: string, elements: readonly Element[], client: QueryClient): void {
  const begun = elements.map((element, place) => ({ version: 1, element, place }));
  void opened(id, client, { seq: -1, unsent: true, elements: begun, waiting: [] }).flush();
  void client.invalidateQueries({ queryKey: UNSENT_KEY });
}

/** Keeps the sessions in step with the other pages of this device, and sends when the network is back. */
export function listenForOthers(): () => void {
  const hear = ({ data }: MessageEvent<{ job: string; news: PageNews }>): void => open.get(data.job)?.follow(data.news);
  const online = (): void => {
    for (const session of open.values()) void session.flush();
    void sendFiles().catch(() => undefined);
  };
  online();
  pages?.addEventListener('message', hear);
  window.addEventListener('online', online);
  return () => {
    pages?.removeEventListener('message', hear);
    window.removeEventListener('online', online);
  };
}
