import { useGlobalSearchParams } from 'expo-router';

/** What lies over everything and belongs to no element. */
export type Over = 'find' | 'keys';
const OVERS: readonly string[] = ['find', 'keys'];

const given = (at: unknown): string | null => (typeof at === 'string' && at !== '' ? at : null);

/** Whatever is open, for what stands around the stations: a sheet or something over everything. */
export function useOpened(): { at: string | null; over: Over | null } {
  const at = given(useGlobalSearchParams().at);
  return at !== null && OVERS.includes(at) ? { at: null, over: at as Over } : { at, over: null };
}

/** The element whose sheet is open, from the address; null when none. */
export const useAt = (): string | null => useOpened().at;
