import { ofKind } from '../../job/job';
import { CUBIC_METRES_PER_SECOND_PER_GPM } from '../../units/constants';
import { runsInto } from '../runsInto';
import type { Rule } from '../snag';

/** From the side a tee may take a trickle: 10 gpm, what a porch roof gives. */
const TRICKLE = 10 * CUBIC_METRES_PER_SECOND_PER_GPM;

/** A tee where lines of some volume join: water from the side runs square into the main, and grit drops there. */
export const teeLoaded: Rule = {
  code: 'teeLoaded',
  find: (job, { runs }) =>
    ofKind(job, 'junction').flatMap((junction) => {
      if (junction.form !== 'tee') return [];
      const flows = (runsInto(job, runs).get(junction.id) ?? []).map((run) => run.flow);
      // The main comes straight through; the rest comes from the side.
      const side = flows.reduce((sum, flow) => sum + flow, 0) - Math.max(0, ...flows);
      return side > TRICKLE
        ? [
            {
              code: 'teeLoaded',
              severity: 'fix' as const,
              at: junction.id,
              measure: 'flow' as const,
              figure: side,
              limit: TRICKLE,
            },
          ]
        : [];
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is a tee with ${say.show('flow', snag.figure)} coming in from the side.`,
    why: 'It runs square into the main, backs up and drops its grit. A wye brings it in along the flow, and a rod with it.',
  }),
};
