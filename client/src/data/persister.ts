/** What the server last said, put by on the device, so that a job opens where there is no signal. */
import type { PersistedClient, Persister } from '@tanstack/react-query-persist-client';

const KEY = 'katabasis.cache';
const PAUSE_MS = 500;

/** The client with its oldest answers left out, one fewer at every call. */
function lighter(client: PersistedClient): PersistedClient | null {
  const queries = [...client.clientState.queries]
    .sort((a, b) => b.state.dataUpdatedAt - a.state.dataUpdatedAt)
    .slice(0, -1);
  return queries.length === 0 ? null : { ...client, clientState: { ...client.clientState, queries } };
}

function store(client: PersistedClient): void {
  for (let part: PersistedClient | null = client; part; part = lighter(part)) {
    try {
      return localStorage.setItem(KEY, JSON.stringify(part));
    } catch {
      // No room for all of it: the jobs longest unread are the least missed.
    }
  }
}

export function localPersister(): Persister {
  let timer: ReturnType<typeof setTimeout> | null = null;
  return {
    persistClient: (client) => {
      if (timer) clearTimeout(timer);
      timer = setTimeout(() => store(client), PAUSE_MS);
    },
    restoreClient: () => {
      const text = localStorage.getItem(KEY);
      return text === null ? undefined : (JSON.parse(text) as PersistedClient);
    },
    removeClient: () => localStorage.removeItem(KEY),
  };
}
