import { valuesOf } from '../valuesOf';
import { JUNCTION_FACTS } from '../../catalogue/fittings';
import type { Landing } from '../../job/kinds';
import type { Rule } from '../snag';
import { each } from '../each';
import { runsFrom } from '../runsInto';

/** A pitch at which a storm drags grit along with it, m/m: 4 %; and how many times flatter the pipe below must be for it to drop. */
const STEEP = 0.04;
const TIMES_FLATTER = 3;

/** Whether grit that comes with the water settles there before it reaches the pipe below. Water comes to a channel without any. */
function trapsGrit(landing: Landing): boolean {
  if (landing.kind === 'junction') return JUNCTION_FACTS[landing.form].trapsGrit;
  return landing.kind === 'basin' ? (landing.sumpDepth ?? 0) > 0 : true;
}

/** A line that goes from steep to flat with nothing between to catch what the steep part carries. */
export const sedimentTrapMissing: Rule = {
  code: 'sedimentTrapMissing',
  short: 'no grit trap',
  find: (job, { runs }) => {
    const leaving = runsFrom(job, runs);
    return each(valuesOf(job, runs), (above) => {
      const below = leaving.get(above.to);
      if (!below || below.line !== above.line || above.flow <= 0 || below.pitch <= 0) return null;
      if (above.pitch < STEEP || above.pitch < TIMES_FLATTER * below.pitch) return null;
      if (trapsGrit(job.elements.get(above.to) as Landing)) return null;
      return {
        code: 'sedimentTrapMissing',
        severity: 'mind',
        at: above.to,
        other: above.id,
        measure: 'pitch',
        figure: above.pitch,
        limit: below.pitch,
      };
    });
  },
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.other!)} goes from ${say.show('pitch', snag.figure)} to ${say.show('pitch', snag.limit)} at ${say.name(snag.at)}.`,
    why: 'What the steep part drags along settles where the line turns flat. A sediment trap or a sump there keeps it out of the pipe, and is emptied by hand.',
  }),
};
