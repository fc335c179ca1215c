/** Questions to the server, their answers kept and put by. */
import type { JobRow, RainStation } from '@katabasis/core';
import { QueryClient, useQuery, type UseQueryResult } from '@tanstack/react-query';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { useEffect, useState, type ReactNode } from 'react';
import { api } from './api';
import { localPersister } from './persister';
import { JOBS_KEY, listenForOthers } from './sessions';

/** Changed when what is put by takes another shape. */
const SHAPE = '1';

export function DataProvider({ children }: { children: ReactNode }) {
  // A server on the yard's own network can be in reach when the device believes itself offline: always ask.
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { gcTime: Infinity, retry: false, networkMode: 'always' } } }),
  );
  const [persister] = useState(localPersister);
  useEffect(listenForOthers, []);
  return (
    <PersistQueryClientProvider client={client} persistOptions={{ persister, buster: SHAPE, maxAge: Infinity }}>
      {children}
    </PersistQueryClientProvider>
  );
}

export const useJobRows = (): UseQueryResult<JobRow[]> => useQuery({ queryKey: JOBS_KEY, queryFn: api.jobs });

export const useStations = (): UseQueryResult<RainStation[]> =>
  useQuery({ queryKey: ['stations'], queryFn: api.stations, staleTime: 24 * 3600 * 1000 });
