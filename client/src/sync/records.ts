/** Questions about what the server keeps beside the jobs: those taken out, what was done, devices, places of rain. */
import type { Bin, CompanyJars, Devices, History, Ledger, RainStation, Rounds } from '@katabasis/core';
import {
  useInfiniteQuery,
  useQuery,
  type InfiniteData,
  type UseInfiniteQueryResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import { api } from './api';
import { unsentFiles, type UnsentFile } from './device/keptFiles';
import { BIN_KEY, FILES_KEY, JARS_KEY, LEDGER_KEY, ROUNDS_KEY } from './keys';

export const useBin = (): UseQueryResult<Bin> => useQuery({ queryKey: BIN_KEY, queryFn: api.bin });

/** Jobs that are looked after. Asked again while plans are still being worked out, every so many ms. */
const AGAIN = 2000;
export const useRounds = (): UseQueryResult<Rounds> =>
  useQuery({
    queryKey: ROUNDS_KEY,
    queryFn: api.rounds,
    staleTime: 0,
    refetchInterval: ({ state }) => ((state.data?.pending ?? 0) > 0 ? AGAIN : false),
  });

/** How all jobs came out; asked again like the rounds. */
export const useLedger = (): UseQueryResult<Ledger> =>
  useQuery({
    queryKey: LEDGER_KEY,
    queryFn: api.ledger,
    staleTime: 0,
    refetchInterval: ({ state }) => ((state.data?.pending ?? 0) > 0 ? AGAIN : false),
  });

/** Jars that were tried at any job. */
export const useJars = (): UseQueryResult<CompanyJars> =>
  useQuery({
    queryKey: JARS_KEY,
    queryFn: api.jars,
    refetchInterval: ({ state }) => ((state.data?.pending ?? 0) > 0 ? AGAIN : false),
  });

/** Files of this device that the server has not got. */
export const useUnsentFiles = (): readonly UnsentFile[] =>
  useQuery({ queryKey: FILES_KEY, queryFn: unsentFiles, staleTime: 0 }).data ?? [];

export const useDevices = (): UseQueryResult<Devices> => useQuery({ queryKey: ['devices'], queryFn: api.devices });

export function useHistory(id: string): UseInfiniteQueryResult<InfiniteData<History>> {
  return useInfiniteQuery({
    queryKey: ['history', id],
    queryFn: ({ pageParam }) => api.history(id, pageParam ?? undefined),
    initialPageParam: null as number | null,
    getNextPageParam: ({ next }) => next,
    staleTime: 0,
  });
}

export const useStations = (): UseQueryResult<RainStation[]> =>
  useQuery({ queryKey: ['stations'], queryFn: api.stations, staleTime: 24 * 3600 * 1000 });
