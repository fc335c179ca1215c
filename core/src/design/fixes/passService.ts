/** Leading a line under a service that it runs into, or over it. */
import { put } from '../../job/change';
import { setInvert } from '../../job/edits/setInvert';
import { runOf } from '../../job/edits/pipes';
import { servicesMet, SERVICE_ROOM } from '../../snags/site/serviceInWay';
import { fixOfChange, type FixRule } from './fix';

/** Over what rounding takes, m. */
const OVER = 0.002;

export const passService: FixRule = {
  code: 'serviceInWay',
  *candidates(snag, job, solution) {
    const run = runOf(job, snag.at);
    const planned = solution.runs[snag.at];
    const met = planned && servicesMet(solution.here ?? job, run, planned).find(({ id }) => id === snag.other);
    if (!met) return;
    const down = met.pipe.top - (met.service.bottom - SERVICE_ROOM) + OVER;
    const up = met.service.top + SERVICE_ROOM - met.pipe.bottom + OVER;
    const ways = [
      { by: -down, says: 'Lower the line to pass under it' },
      { by: up, says: 'Raise the line to pass over it' },
    ].sort((a, b) => Math.abs(a.by) - Math.abs(b.by));
    // Its foot stays where it was, and the pipe turns about it; or the whole of it is moved.
    const left = Math.max(0.05, 1 - met.along / planned.length);
    for (const { by, says } of ways) {
      const change = setInvert(job, run.from, planned.invertUp + by / left);
      if (change) yield fixOfChange({ ...change, label: says });
      const levels = { type: 'levels', up: planned.invertUp + by, down: planned.invertDown + by } as const;
      yield fixOfChange(put(says, { ...run, grade: levels }));
    }
  },
};
