import { valuesOf } from '../valuesOf';
import { JUNCTION_FACTS } from '../../catalogue/fittings';
import { elementOf } from '../../job/job';
import type { Landing } from '../../job/kinds';
import { lidOver } from '../outlets/lidAboveInlet';
import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import { METRES_PER_INCH } from '../../units/constants';
import type { Rule } from '../snag';
import { each } from '../each';

/** Whether water can come up there: at an inlet, a downspout's foot, or under a cap at grade. */
export const opens = (landing: Landing): boolean =>
  landing.kind === 'junction' ? JUNCTION_FACTS[landing.form].access : landing.kind !== 'discharge';

/** Water that stands so little over an inlet stands level with it, m: a rod tells no better. */
const LEVEL_WITH = METRES_PER_INCH / 16;

/** The water line stands over an inlet: it gives water instead of taking it. Where a pop-up's lid alone does it, `lidAboveInlet` tells. */
export const waterOverGrate: Rule = {
  code: 'waterOverGrate',
  short: 'floods an inlet',
  find: (job, { landings, settings }) =>
    each(valuesOf(job, landings), (landing) => {
      const over = landing.waterLevel === null ? 0 : landing.waterLevel - landing.groundLevel;
      if (over <= LEVEL_WITH) return null;
      const element = job.elements.get(landing.id) as Landing;
      if (!opens(element)) return null;
      const outlet = elementOf(job, 'discharge', landing.outlet ?? '');
      const byLid = outlet && element.kind !== 'junction' ? lidOver(outlet, element, settings) : null;
      if (byLid !== null && byLid >= -LEVEL_TOLERANCE) return null;
      return { code: 'waterOverGrate', severity: 'stop', at: landing.id, measure: 'small', figure: over, limit: 0 };
    }),
  tell: (snag, say) => ({
    headline: `Water comes out of ${say.name(snag.at)}, ${say.show('small', snag.figure)} over the ground.`,
    why: 'In the design rain the line below is so loaded that its water line stands higher than this inlet. It becomes an outlet.',
  }),
};
