import { valuesOf } from './valuesOf';
import type { WorkPlan } from '../works';
import { splashesOf } from '../yard/downhill';
import type { Rule } from './snag';

/** Whether all that comes there sinks into the soil under it. */
const soaksAway = (work: WorkPlan | undefined): boolean =>
  work?.kind === 'pavedBed' && work.over === 0 && work.drainTime !== null;

/** Water that comes to a landing from which no pipe reaches a discharge. */
export const noDischarge: Rule = {
  code: 'noDischarge',
  short: 'no way out',
  find: (job, { landings, runs, works }) => {
    const splashes = new Map(splashesOf(job).map(({ id, to }) => [id, to]));
    const left = new Set(valuesOf(runs).map((run) => run.from));
    const reached = new Set(valuesOf(runs).map((run) => run.to));
    return (
      valuesOf(landings)
        // Said once, where the pipe ends, and not again at every landing above it.
        .filter((landing) => landing.outlet === null && !left.has(landing.id))
        .filter((landing) => landing.passing > 0 || reached.has(landing.id))
        .filter(({ id }) => !soaksAway(works[id]))
        .map((landing) => ({
          code: 'noDischarge',
          severity: 'stop',
          at: landing.id,
          measure: 'flow',
          figure: landing.passing,
          limit: 0,
          ...(splashes.has(landing.id) ? { other: splashes.get(landing.id)! } : {}),
        }))
    );
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} has nowhere to send its water.`,
    why:
      snag.other === undefined
        ? `${say.show('flow', snag.figure)} arrives here and no pipe takes it to a discharge. Find the way out first: without one there is no line.`
        : `${say.show('flow', snag.figure)} lands on the ground here and runs over it to ${say.name(snag.other)}, which is planned for it. Beside a wall that water goes down along the footing: lead it off in pipe.`,
  }),
};
