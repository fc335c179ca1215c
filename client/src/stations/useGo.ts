import { usePathname, useRouter } from 'expo-router';
import { useCallback } from 'react';
import { useJobPart, type OpenJob } from '../planning/useJob';
import { PUT, ROOF, SCALE } from '../parts/yardAddress';

const STATIONS = ['walk', 'yard', 'storm', 'build', 'keep', 'plan'] as const;
export type StationPath = (typeof STATIONS)[number];

/** The station that an address names. */
export const stationIn = (path: string): StationPath =>
  STATIONS.find((station) => path.endsWith(`/${station}`)) ?? 'plan';

const idOf = ({ job }: OpenJob): { id: string } => ({ id: job.id });

/** How many steps of the browser's history a sheet of ours has opened: closing one goes back over them. */
let opened = 0;

/** Stations of several pages, which the address names: `~tables`. */
const PAGED: ReadonlySet<StationPath> = new Set(['build', 'keep']);

/** Whether what is open is a page of its station, which is no sheet over it. */
export const isPage = (station: StationPath, at: string): boolean => PAGED.has(station) && at.startsWith('~');

/** Whether it is gone from a page of a station into one of the job's things: closing that comes back to the page. */
const isOut = (station: StationPath, now: string, at: string): boolean => isPage(station, now) && !at.startsWith('~');

/**
 * Goes to a station, and to what is open there, which stands in the address: a link or a reload comes back to it, and the browser's
 * Back closes it first.
 */
export function useGo(): (station: StationPath, at: string | null) => void {
  const router = useRouter();
  const { id } = useJobPart(idOf);
  const path = usePathname();
  return useCallback(
    (station, at) => {
      const address = `/job/${id}/${station}${at ? `?at=${encodeURIComponent(at)}` : ''}`;
      const stays = path.endsWith(`/${station}`);
      const now = new URLSearchParams(globalThis.location?.search ?? '').get('at');
      if (!stays || now === null) opened = 0;
      if (at === null && opened > 0) {
        opened--;
        router.back();
      } else if (at !== null && (now === null || at === 'find' || at === 'keys' || !stays || isOut(station, now, at))) {
        // What came with another station is not gone back over: closing it stays at that station.
        if (stays) opened++;
        router.push(address);
      } else router.replace(address);
    },
    [router, id, path],
  );
}

/** Whether what is asked for is done on the ground plan. */
export const isOfYard = (at: string | null): boolean =>
  at !== null && [PUT, ROOF, SCALE].some((start) => at.startsWith(start));
