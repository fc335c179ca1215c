import type { Element } from '../job/elements';
import { ofKind } from '../job/job';
import { METRES_PER_FOOT } from '../units/constants';
import { freeId } from './edits';
import type { Rule } from './snag';

/** A distance to start from where nobody has paced it yet; marked as assumed until somebody does. */
const ASSUMED_LENGTH = 30 * METRES_PER_FOOT;
/** Fall below the lowest landing that an assumed way out is given, m. */
const ASSUMED_FALL = 3 * METRES_PER_FOOT;

/** Water that comes to a landing from which no pipe reaches a discharge. */
export const noDischarge: Rule = {
  code: 'noDischarge',
  find: (_, { landings, runs }) => {
    const left = new Set(Object.values(runs).map((run) => run.from));
    const reached = new Set(Object.values(runs).map((run) => run.to));
    return (
      Object.values(landings)
        // Said once, where the pipe ends, and not again at every landing above it.
        .filter((landing) => landing.outlet === null && !left.has(landing.id))
        .filter((landing) => landing.passing > 0 || reached.has(landing.id))
        .map((landing) => ({
          code: 'noDischarge',
          severity: 'stop',
          at: landing.id,
          measure: 'flow',
          figure: landing.passing,
          limit: 0,
        }))
    );
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} has nowhere to send its water.`,
    why: `${say.show('flow', snag.figure)} arrives here and no pipe takes it to a discharge. Find the way out first: without one there is no line.`,
  }),
  fix: (snag, job) => {
    const landing = job.elements[snag.at]!;
    if (!('groundLevel' in landing)) return null;
    const puts: Element[] = [];
    let discharge = ofKind(job, 'discharge')[0];
    if (!discharge) {
      const lowest = Math.min(
        ...Object.values(job.elements).flatMap((element) => ('groundLevel' in element ? [element.groundLevel] : [])),
      );
      discharge = {
        id: freeId(job, 'out'),
        kind: 'discharge',
        name: 'Way out',
        form: 'daylight',
        receiving: 'slope',
        groundLevel: lowest - ASSUMED_FALL,
        assumed: true,
      };
      puts.push(discharge);
    }
    puts.push({
      id: freeId(job, 'run'),
      kind: 'run',
      from: snag.at,
      to: discharge.id,
      length: ASSUMED_LENGTH,
      assumed: true,
      material: 'smooth',
      nominal: 0.1016,
      grade: { type: 'auto' },
    });
    const label = `Run it to ${discharge.name}, to be measured`;
    return { label, change: { label, puts, removes: [] } };
  },
};
