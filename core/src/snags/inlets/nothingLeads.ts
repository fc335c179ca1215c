import { valuesOf } from '../valuesOf';
import type { Landing } from '../../job/kinds';
import { runsInto } from '../runsInto';
import type { Rule } from '../snag';
import { each } from '../each';

/** Whether something ought to lead to it: a fitting where lines join, or an inlet in the ground. */
const wantsWater = (landing: Landing): boolean =>
  landing.kind === 'basin' ||
  landing.kind === 'channel' ||
  (landing.kind === 'junction' && (landing.form === 'wye' || landing.form === 'tee'));

/** A wye, tee or inlet to which neither a pipe nor any water leads. */
export const nothingLeads: Rule = {
  code: 'nothingLeads',
  find: (job, { landings, runs }) => {
    const into = runsInto(job, runs);
    return each(valuesOf(job, landings), ({ id, enteringArea, entering }) => {
      if (enteringArea > 0 || entering > 0 || into.has(id)) return null;
      if (!wantsWater(job.elements.get(id) as Landing)) return null;
      return { code: 'nothingLeads', severity: 'mind', at: id, measure: 'count', figure: 0, limit: 1 };
    });
  },
  tell: (snag, say) => ({
    headline: `Nothing leads to ${say.name(snag.at)}.`,
    why: 'No pipe comes to it, and no roof or ground is said to drain there: what it costs may be for nothing, or water has been forgotten.',
    instead: 'Say what drains there, lead a pipe to it, or take it out.',
  }),
};
