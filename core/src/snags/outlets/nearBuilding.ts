import { OUTFALLS } from '../../catalogue/outfalls';
import { ofKind, type Job } from '../../job/job';
import type { Discharge } from '../../job/kinds';
import { distanceTo } from '../../site/place';
import type { Rule } from '../snag';
import { each } from '../each';

/** To the nearest building, m: as measured, or on the plan; endless where neither is known. */
function awayFromBuildings(job: Job, { buildingDistance, place }: Discharge): number {
  const drawn = place
    ? ofKind(job, 'building').map(({ outline }) => (outline ? distanceTo(outline, place) : Infinity))
    : [];
  return Math.min(buildingDistance ?? Infinity, ...drawn);
}

/** Water let out too near somebody's wall. */
export const nearBuilding: Rule = {
  code: 'nearBuilding',
  short: 'near building',
  find: (job, { settings }) =>
    each(ofKind(job, 'discharge'), (discharge) => {
      // In a channel it is led on, and not let go.
      if (OUTFALLS[discharge.form].inChannel) return null;
      const away = awayFromBuildings(job, discharge);
      const limit = settings.buildingClearance;
      if (away >= limit - 1e-6) return null;
      return { code: 'nearBuilding', severity: 'stop', at: discharge.id, measure: 'length', figure: away, limit };
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} lets out ${say.show('length', snag.figure)} from a building; keep ${say.show('length', snag.limit)}.`,
    why: 'Water let go beside a wall finds the footing. The local rule governs, and it may ask for more.',
  }),
};
