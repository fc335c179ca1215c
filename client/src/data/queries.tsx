/** Questions to the server, their answers kept; lists are put by on the device, jobs in its store. */
import { jobFrom, headOf, type JobRow, type RainStation } from '@katabasis/core';
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { QueryClient, useQuery, type UseQueryResult } from '@tanstack/react-query';
import { PersistQueryClientProvider, removeOldestQuery } from '@tanstack/react-query-persist-client';
import { useEffect, useState, type ReactNode } from 'react';
import { api } from './api';
import { database, deviceStore } from './deviceStore';
import { planHere } from './planner';
import { JOBS_KEY, listenForOthers, UNSENT_KEY } from './sessions';

/** Changed when what is put by takes another shape. */
const SHAPE = '2';
/** Answers that are put by: a job is kept in the device's store, an element at a time. */
const PUT_BY: readonly unknown[] = ['jobs', 'stations'];
const PAUSE_MS = 500;

const answers = {
  getItem: async (key: string): Promise<string | null> => (await (await database()).get('answers', key)) ?? null,
  setItem: async (key: string, value: string): Promise<unknown> => (await database()).put('answers', value, key),
  removeItem: async (key: string): Promise<void> => (await database()).delete('answers', key),
};

const persistOptions = {
  persister: createAsyncStoragePersister({ storage: answers, throttleTime: PAUSE_MS, retry: removeOldestQuery }),
  buster: SHAPE,
  maxAge: Infinity,
  dehydrateOptions: {
    shouldDehydrateQuery: ({ queryKey, state }: { queryKey: readonly unknown[]; state: { status: string } }) =>
      state.status === 'success' && PUT_BY.includes(queryKey[0]),
  },
};

export function DataProvider({ children }: { children: ReactNode }) {
  // A server on the yard's own network can be in reach when the device believes itself offline: always ask.
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { gcTime: Infinity, retry: false, networkMode: 'always' } } }),
  );
  useEffect(listenForOthers, []);
  return (
    <PersistQueryClientProvider client={client} persistOptions={persistOptions}>
      {children}
    </PersistQueryClientProvider>
  );
}

export const useJobRows = (): UseQueryResult<JobRow[]> => useQuery({ queryKey: JOBS_KEY, queryFn: api.jobs });

/** Rows of jobs made here that the server has not got. */
export function useUnsentRows(): JobRow[] {
  const { data } = useQuery({
    queryKey: UNSENT_KEY,
    staleTime: 0,
    queryFn: async (): Promise<JobRow[]> =>
      (await deviceStore().unsent()).map(({ id, elements }) => {
        const job = jobFrom(id, elements);
        const { name, units } = headOf(job);
        return { id, name, units, seq: -1, updatedAt: '', verdict: planHere(job).verdict };
      }),
  });
  return data ?? [];
}

export const useStations = (): UseQueryResult<RainStation[]> =>
  useQuery({ queryKey: ['stations'], queryFn: api.stations, staleTime: 24 * 3600 * 1000 });
