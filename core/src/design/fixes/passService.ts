/** Leading a line under a service that it runs into, or over it. */
import { runOf } from '../../job/edits/pipes';
import { servicesMet, SERVICE_ROOM } from '../../snags/site/serviceInWay';
import type { FixRule } from './fix';
import { movePast } from './movePast';

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
    const share = met.along / planned.length;
    for (const { by, says } of ways) yield* movePast(job, { run, planned, share, by, says });
  },
};
