/** A stopwatch that the job keeps: begun at a time that both phones of a test know, it goes on through a reload or a dead battery. */
import { useEffect, useState } from 'react';
import { sharedNow } from '../../sync/device/serverClock';

const TICK = 200;
/** No hose runs for longer: a clock was set meanwhile, or somebody forgot the test, s. */
const TOO_LONG = 6 * 3600;

export interface Running {
  /** s since it was begun. */
  seconds: number;
  /** The clock has jumped: what it says is no time of a test. */
  jumped: boolean;
}

/** The time since an ISO moment, as it goes on; null while nothing runs. */
export function useRunningClock(since: string | undefined): Running | null {
  const [now, setNow] = useState(sharedNow);
  useEffect(() => {
    if (since === undefined) return;
    const timer = setInterval(() => setNow(sharedNow()), TICK);
    return () => clearInterval(timer);
  }, [since]);
  if (since === undefined) return null;
  const seconds = (now - Date.parse(since)) / 1000;
  // Begun a moment ago by another phone, whose clock goes a little ahead.
  return { seconds: Math.max(0, seconds), jumped: seconds < -3 || seconds > TOO_LONG };
}
