import { OUTFALLS } from '../catalogue/outfalls';
import { elementOf } from '../job/job';
import { LEVEL_TOLERANCE, type Rule, type Snag } from './snag';

/** The water line stands over an inlet: it gives water instead of taking it. Behind a pop-up, `lidAboveInlet` tells. */
export const waterOverGrate: Rule = {
  code: 'waterOverGrate',
  short: 'floods an inlet',
  find: (job, { landings }) =>
    Object.values(landings).flatMap((landing): Snag[] => {
      if (landing.waterLevel === null || landing.kind === 'discharge' || landing.kind === 'junction') return [];
      const outlet = elementOf(job, 'discharge', landing.outlet ?? '');
      if (outlet && !OUTFALLS[outlet.form].drainsDry) return [];
      const over = landing.waterLevel - landing.groundLevel;
      return over <= LEVEL_TOLERANCE
        ? []
        : [{ code: 'waterOverGrate', severity: 'stop', at: landing.id, measure: 'small', figure: over, limit: 0 }];
    }),
  tell: (snag, say) => ({
    headline: `Water comes out of ${say.name(snag.at)}, ${say.show('small', snag.figure)} over the ground.`,
    why: 'In the design rain the line below is so loaded that its water line stands higher than this inlet. It becomes an outlet.',
  }),
};
