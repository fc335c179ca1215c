/** The list of jobs that `public/prefetch.js` asked for before this script was here. */
import { isJobList, type JobList } from '@katabasis/core/first';

/** Given once; null where it was not asked for, has not come yet, or is none. */
export function takePrefetched(): JobList | null {
  const page = globalThis as { katabasisPrefetched?: unknown };
  const list = page.katabasisPrefetched;
  delete page.katabasisPrefetched;
  return isJobList(list) ? list : null;
}
