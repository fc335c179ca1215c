/** The list of jobs that `public/early.js` asked for before this script was here. */
import { isJobList, type JobList } from '@katabasis/core/first';

/** Given once; null where it was not asked for, has not come yet, or is none. */
export function takeEarly(): JobList | null {
  const page = globalThis as { katabasisEarly?: unknown };
  const list = page.katabasisEarly;
  delete page.katabasisEarly;
  return isJobList(list) ? list : null;
}
