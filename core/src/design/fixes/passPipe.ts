/** Leading one of two pipes that run into each other under the other. */
import { nameOf } from '../../job/job';
import { clashes } from '../../snags/site/pipesCross';
import { METRES_PER_INCH } from '../../units/constants';
import type { FixRule } from './fix';
import { movePast } from './movePast';

/** Room between two pipes so that each is bedded, m: 2 in. */
const ROOM = 2 * METRES_PER_INCH;

export const passPipe: FixRule = {
  code: 'pipesCross',
  *candidates(snag, job, solution) {
    const here = solution.here ?? job;
    const met = clashes(here, solution).find(({ one, other }) => one.id === snag.at && other.id === snag.other);
    if (!met) return;
    const ways = [
      { pipe: met.one, over: met.other, by: met.first.top - met.second.bottom + ROOM, share: met.shareOfOne },
      { pipe: met.other, over: met.one, by: met.second.top - met.first.bottom + ROOM, share: met.shareOfOther },
    ].sort((a, b) => a.by - b.by);
    for (const { pipe: run, over, by, share } of ways) {
      // A drain lies as deep as the ground asks; what crosses it gives way.
      if (run.kind !== 'run') continue;
      const planned = solution.runs[run.id]!;
      const says = `Lower ${nameOf(job, run.id)} to pass under ${nameOf(job, over.id)}`;
      yield* movePast(job, { run, planned, share, by: -by, says });
    }
  },
};
