import { elementOf, type Job } from '../../job/job';
import type { Solution } from '../../plan/solution';
import type { Rule } from '../snag';

/** Downspouts whose gutter holds in the design rain and spills beside the wall in the rarer one, by what it spills there, m³/s; most first. */
export const spillingIn = (job: Job, { openings, inlets }: Solution): [id: string, spill: number][] =>
  Object.entries(openings?.spills ?? {})
    .filter(([id]) => {
      const inlet = inlets[id];
      // Where it is said to run, it is counted.
      return inlet?.kind === 'downspout' && inlet.overshoot <= 0 && !elementOf(job, 'downspout', id)!.spillsTo;
    })
    .sort(([, a], [, b]) => b - a);

/** Gutters that hold in the design rain, and spill in the rarer one that openings are checked by: told once, at the one that spills most. */
export const gutterSpills: Rule = {
  code: 'gutterSpills',
  find: (job, solution) => {
    const [most, ...others] = spillingIn(job, solution);
    if (!most) return [];
    return [
      {
        code: 'gutterSpills',
        severity: 'mind',
        at: most[0],
        measure: 'flow',
        figure: most[1],
        limit: 0,
        years: solution.openings!.returnPeriod,
        others: others.length,
      },
    ];
  },
  tell: (snag, say) => ({
    headline: `In the ${snag.years}-year rain the gutter over ${say.name(snag.at)} spills ${say.show('flow', snag.figure)}${snag.others ? `, and ${snag.others === 1 ? 'one more spills' : `${snag.others} more spill`}` : ''}.`,
    why: 'It lands beside the wall. Where it falls on a walk or runs off from the house that is no harm; over a door or a window well it is.',
    instead: 'Hang a larger downspout or a larger gutter there, or say where the water that spills runs to.',
  }),
};
