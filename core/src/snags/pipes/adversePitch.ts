import { valuesOf } from '../valuesOf';
import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule } from '../snag';
import { each } from '../each';
import { runsFrom } from '../runsInto';

/** A pipe that lies level or climbs, or meets the next one below that one's invert. */
export const adversePitch: Rule = {
  code: 'adversePitch',
  short: 'uphill',
  find: (job, { runs }) => {
    const next = runsFrom(job, runs);
    return each(valuesOf(job, runs), ({ id, to, pitch, leastPitch, crownDown }) => {
      if (pitch <= 0)
        return { code: 'adversePitch', severity: 'stop', at: id, measure: 'pitch', figure: pitch, limit: leastPitch };
      const below = next.get(to);
      // Level with the crown is how pipes meet; below it, water must climb to get on.
      const climb = below ? below.crownUp - crownDown : 0;
      if (climb <= LEVEL_TOLERANCE) return null;
      return { code: 'adversePitch', severity: 'stop', at: id, other: to, measure: 'small', figure: -climb, limit: 0 };
    });
  },
  tell: (snag, say) =>
    snag.other
      ? {
          headline: `${say.name(snag.at)} arrives ${say.show('small', -snag.figure)} under the pipe it should flow into.`,
          why: 'Water stands in the pipe up to that step, and grit and ice stay with it.',
        }
      : {
          headline: snag.figure < 0 ? `${say.name(snag.at)} runs uphill.` : `${say.name(snag.at)} lies dead level.`,
          why: `It falls ${say.show('pitch', snag.figure)} and needs at least ${say.show('pitch', snag.limit)}: water would stand in it and drop its grit.`,
        },
};
