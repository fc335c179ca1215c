/** The sessions of this page, one a job, and how a new job begins. */
import type { Element, JobReply } from '@katabasis/core';
import type { QueryClient } from '@tanstack/react-query';
import { api } from './api';
import { queueKey, updateQueue } from './queue';
import { Session } from './session';

export const JOBS_KEY = ['jobs'] as const;
export const jobKey = (id: string): readonly ['job', string] => ['job', id];

/** A name that two devices never give alike. */
export function newId(stem: string): string {
  const bytes = crypto.getRandomValues(new Uint8Array(9));
  return `${stem}${Date.now().toString(36)}${Array.from(bytes, (byte) => (byte % 36).toString(36)).join('')}`;
}

const open = new Map<string, Session>();

export function sessionOf(id: string, client: QueryClient): Session {
  const known = open.get(id);
  if (known) return known;
  const session = new Session(id, {
    storage: localStorage,
    api,
    newId,
    onServerState: (reply: JobReply) => {
      client.setQueryData(jobKey(id), reply);
      void client.invalidateQueries({ queryKey: JOBS_KEY });
    },
    onBehind: () => void client.invalidateQueries({ queryKey: jobKey(id) }),
  });
  open.set(id, session);
  return session;
}

/** Begins a job on this device; it is sent as soon as the server is in reach. */
export function startJob(id: string, elements: Element[], client: QueryClient): void {
  updateQueue(localStorage, id, () => ({ create: elements, changes: [], bases: {} }));
  sessionOf(id, client);
}

/** Keeps the sessions in step with what other pages of this device store, and sends when the network is back. */
export function listenForOthers(): () => void {
  const stored = ({ key }: StorageEvent): void => {
    for (const session of open.values()) if (key === null || key === queueKey(session.id)) session.reread();
  };
  const online = (): void => {
    for (const session of open.values()) void session.flush();
  };
  window.addEventListener('storage', stored);
  window.addEventListener('online', online);
  return () => {
    window.removeEventListener('storage', stored);
    window.removeEventListener('online', online);
  };
}
