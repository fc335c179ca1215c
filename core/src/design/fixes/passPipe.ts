/** Leading one of two pipes that run into each other under the other. */
import { put } from '../../job/change';
import { setInvert } from '../../job/edits/setInvert';
import { nameOf } from '../../job/job';
import { clashes } from '../../snags/site/pipesCross';
import { METRES_PER_INCH } from '../../units/constants';
import { fixOfChange, type FixRule } from './fix';

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
      // Its foot stays where it was, and the pipe turns about it; or the whole of it is moved.
      const change = setInvert(job, run.from, planned.invertUp - by / Math.max(0.05, 1 - share));
      if (change) yield fixOfChange({ ...change, label: says });
      const own = job.elements.get(run.id)!;
      const grade = { type: 'levels' as const, up: planned.invertUp - by, down: planned.invertDown - by };
      if (own.kind === 'run') yield fixOfChange(put(says, { ...own, grade }));
    }
  },
};
