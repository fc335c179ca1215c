import { ofKind } from '../job/job';
import type { Rule } from './snag';

/** Water let out too near somebody's wall. */
export const nearBuilding: Rule = {
  code: 'nearBuilding',
  short: 'near building',
  find: (job, { settings }) =>
    ofKind(job, 'discharge')
      .filter(
        (discharge) =>
          discharge.buildingDistance !== undefined && discharge.buildingDistance < settings.buildingClearance - 1e-6,
      )
      .map((discharge) => ({
        code: 'nearBuilding',
        severity: 'stop',
        at: discharge.id,
        measure: 'length',
        figure: discharge.buildingDistance!,
        limit: settings.buildingClearance,
      })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} lets out ${say.show('length', snag.figure)} from a building; keep ${say.show('length', snag.limit)}.`,
    why: 'Water let go beside a wall finds the footing. The local rule governs, and it may ask for more.',
  }),
};
