import type { Right } from '@katabasis/core';
import { useRights } from '../sync/device/ownRights';
import { useJob } from './useJob';

/** Whether whoever uses this device may do that at the open job. */
export function useMay(right: Right): boolean {
  const { job } = useJob();
  return useRights(job.id).has(right);
}
