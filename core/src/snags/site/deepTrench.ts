import { valuesOf } from '../valuesOf';
import { isNew } from '../../job/kinds';
import { METRES_PER_FOOT } from '../../units/constants';
import { runOf } from '../../job/edits/pipes';
import type { Rule } from '../snag';
import { each } from '../each';

/** From 5 ft a trench needs a protective system (29 CFR 1926.652); local rules may ask it sooner. */
export const PROTECT_FROM = 5 * METRES_PER_FOOT;

/** A trench deep enough to kill, with no protection planned. */
export const deepTrench: Rule = {
  code: 'deepTrench',
  short: 'deep trench',
  find: (job, { runs }) =>
    each(valuesOf(job, runs), ({ id, trenchDepth: figure }) => {
      if (figure < PROTECT_FROM) return null;
      const run = runOf(job, id);
      return run.shored || !isNew(run)
        ? null
        : { code: 'deepTrench', severity: 'stop', at: id, measure: 'small', figure, limit: PROTECT_FROM };
    }),
  tell: (snag, say) => ({
    headline: `The trench of ${say.name(snag.at)} is ${say.show('small', snag.figure)} deep and unprotected.`,
    why: `From ${say.show('small', snag.limit)} a protective system and a competent person are required; from 4 ft a ladder. Trench walls kill.`,
  }),
};
