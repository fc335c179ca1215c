/** Questions to the server, their answers kept; lists are put by on the device, jobs in its store. */
import type { JobList, JobQuery, JobRow } from '@katabasis/core/first';
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import {
  keepPreviousData,
  QueryClient,
  useInfiniteQuery,
  useQuery,
  type InfiniteData,
  type UseInfiniteQueryResult,
} from '@tanstack/react-query';
import { PersistQueryClientProvider, removeOldestQuery } from '@tanstack/react-query-persist-client';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { database, deviceStore } from './device/deviceStore';
import { takePrefetched } from './prefetched';
import { JOBS_KEY, UNSENT_KEY, WAITING_KEY } from './keys';
import { lazyPart, setListening } from './lazyPart';
import { listApi } from './listApi';

/** Changed when what is put by takes another shape. */
const SHAPE = '3';
/** Answers that are put by: a job is kept in the device's store, an element at a time. */
const PUT_BY: readonly unknown[] = ['jobs', 'stations', 'weather', 'books', 'company', 'today'];
const PAUSE_MS = 500;
const VERDICT_AGAIN_MS = 1_500;
/** How long the first screen has the device to itself, ms. */
const FIRST_MS = 2_500;

// Opened while the page is still being put together: the first answer put by on the device waits for nothing else.
void database().catch(() => undefined);

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
    // Also when asking again came to nothing: the last answer stays on the device until there is another.
    shouldDehydrateQuery: ({ queryKey, state }: { queryKey: readonly unknown[]; state: { data: unknown } }) =>
      state.data !== undefined && PUT_BY.includes(queryKey[0]),
  },
};

export function DataProvider({ children }: { children: ReactNode }) {
  // A server on the yard's own network can be in reach when the device believes itself offline: always ask.
  const [client] = useState(() => {
    const made = new QueryClient({
      defaultOptions: { queries: { gcTime: Infinity, retry: false, networkMode: 'always' } },
    });
    const early = takePrefetched();
    // Drawn with the first picture, before what is put by on the device has been read.
    if (early) made.setQueryData(listKey({}), { pages: [early], pageParams: [null] });
    return made;
  });
  useEffect(() => {
    let left = false;
    let deaf: (() => void) | undefined;
    let asked = false;
    const listen = (): void => {
      if (asked) return;
      asked = true;
      lazyPart().then(
        ({ listenForOthers }) => {
          if (!left) deaf = listenForOthers(client);
        },
        () => (asked = false),
      );
    };
    // Once there is nothing better to do: what is asked for first is drawn first.
    const soon = setTimeout(listen, FIRST_MS);
    setListening(listen);
    return () => {
      left = true;
      setListening(null);
      clearTimeout(soon);
      deaf?.();
    };
  }, [client]);
  return (
    <PersistQueryClientProvider client={client} persistOptions={persistOptions}>
      {children}
    </PersistQueryClientProvider>
  );
}

const listKey = (ask: JobQuery): readonly unknown[] => [...JOBS_KEY, ask];

/** Jobs on the server, latest first, page by page; `ask` narrows them. The last list stays until the next is there. */
export function useJobList(ask: JobQuery): UseInfiniteQueryResult<InfiniteData<JobList>> {
  return useInfiniteQuery({
    queryKey: listKey(ask),
    queryFn: ({ pageParam }) => listApi.jobs({ ...ask, ...(pageParam === null ? {} : { after: pageParam }) }),
    initialPageParam: null as string | null,
    getNextPageParam: ({ next }) => next,
    placeholderData: keepPreviousData,
    // A verdict that is still being worked out is there a moment later; the server says so, where it can.
    refetchInterval: ({ state }) =>
      state.data?.pages.some(({ jobs }) => jobs.some(isComing)) === true ? VERDICT_AGAIN_MS : false,
  });
}

const isComing = ({ verdict, trouble }: JobRow): boolean => verdict === null && trouble === undefined;

/** Rows of jobs made here that the server has not got. */
export function useUnsentRows(): JobRow[] {
  const { data } = useQuery({
    queryKey: UNSENT_KEY,
    staleTime: 0,
    queryFn: async (): Promise<JobRow[]> => {
      const unsent = await deviceStore().unsent();
      if (unsent.length === 0) return [];
      const { headOf, jobFrom, planHere } = await lazyPart();
      return unsent.map(({ id, elements }) => {
        const job = jobFrom(id, elements);
        const { name, units } = headOf(job);
        return { id, name, units, seq: -1, updatedAt: '', verdict: planHere(job).verdict };
      });
    },
  });
  return data ?? [];
}

/** How many changes of each job wait on this device. */
export function useWaiting(): ReadonlyMap<string, number> {
  const { data } = useQuery({
    queryKey: WAITING_KEY,
    staleTime: 0,
    queryFn: async () => (await deviceStore().waiting()).map(({ job, count }): [string, number] => [job, count]),
  });
  return useMemo(() => new Map(data), [data]);
}
