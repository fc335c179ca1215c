import { ofKind } from '../../job/job';
import { areaOf } from '../../site/place';
import { each } from '../each';
import type { Rule } from '../snag';

/** By how much a typed area may differ from its outline, as a share of it: what pacing is good for; and never less than this, m². */
const PACED = 0.05;
const LEAST = 1;

/** A typed area that its own outline does not bear out: one of them is old. */
export const areaDisagrees: Rule = {
  code: 'areaDisagrees',
  find: (job) =>
    each(
      [...ofKind(job, 'surface'), ...ofKind(job, 'pavedBed'), ...ofKind(job, 'drainField')],
      ({ id, area, outline }) => {
        if (area === undefined || !outline) return null;
        const onPlan = Math.abs(areaOf(outline));
        if (Math.abs(onPlan - area) <= Math.max(LEAST, PACED * onPlan)) return null;
        return { code: 'areaDisagrees', severity: 'mind', at: id, measure: 'area', figure: area, limit: onPlan };
      },
    ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} was typed as ${say.show('area', snag.figure)}; on the plan it is ${say.show('area', snag.limit)}.`,
    why: 'What was typed is what everything rests on. Where the outline was changed since, take the area from the plan.',
  }),
};
