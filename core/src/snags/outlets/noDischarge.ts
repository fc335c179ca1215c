import { valuesOf } from '../valuesOf';
import type { WorkPlan } from '../../works';
import { splashesOf } from '../../yard/downhill';
import type { Rule } from '../snag';
import { each } from '../each';
import { runsFrom, runsInto } from '../runsInto';

/** Whether all that comes there sinks into the soil under it. */
const soaksAway = (work: WorkPlan | undefined): boolean =>
  work?.kind === 'pavedBed' && work.over === 0 && work.drainTime !== null;

/** Water that comes to a landing from which no pipe reaches a discharge. */
export const noDischarge: Rule = {
  code: 'noDischarge',
  short: 'no way out',
  find: (job, { landings, runs, works }) => {
    const left = runsFrom(job, runs);
    const reached = runsInto(job, runs);
    return each(valuesOf(job, landings), ({ id, outlet, passing }) => {
      // Said once, where the pipe ends, and not again at every landing above it.
      if (outlet !== null || left.has(id)) return null;
      if (passing <= 0 && !reached.has(id)) return null;
      if (soaksAway(works[id])) return null;
      const splash = splashesOf(job).find((each) => each.id === id);
      return {
        code: 'noDischarge',
        severity: 'stop',
        at: id,
        measure: 'flow',
        figure: passing,
        limit: 0,
        ...(splash ? { other: splash.to } : {}),
      };
    });
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} has nowhere to send its water.`,
    why:
      snag.other === undefined
        ? `${say.show('flow', snag.figure)} arrives here and no pipe takes it to a discharge. Find the way out first: without one there is no line.`
        : `${say.show('flow', snag.figure)} lands on the ground here and runs over it to ${say.name(snag.other)}, which is planned for it. Beside a wall that water goes down along the footing: lead it off in pipe.`,
  }),
};
