import { useLocalSearchParams } from 'expo-router';

/** The element whose sheet is open, from the address; null when none. */
export function useAt(): string | null {
  const { at } = useLocalSearchParams<{ at?: string }>();
  return typeof at === 'string' && at !== '' ? at : null;
}
