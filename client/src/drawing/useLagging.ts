import { useRested, type OpenJob } from '../planning/useJob';
import { useWide } from '../theme/theme';

/** How long a finger must have stopped, ms. On a wide screen these drawings are in view; on a phone they are scrolled out of it. */
const REST_MS = { phone: 500, wide: 60 };

/** The job as shown for a drawing that may lag behind the finger, so that what is under the finger never waits for it. */
export function useLagging(): OpenJob {
  return useRested(useWide() ? REST_MS.wide : REST_MS.phone);
}
