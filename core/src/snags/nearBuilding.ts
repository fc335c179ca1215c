import type { Element } from '../job/elements';
import { headOf, ofKind } from '../job/job';
import { showLength, text } from '../units';
import { dischargeOf } from './edits';
import type { Rule } from './snag';

/** Water let out too near somebody's wall. */
export const nearBuilding: Rule = {
  code: 'nearBuilding',
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
  fix: (snag, job) => {
    const discharge = dischargeOf(job, snag.at);
    const further = snag.limit - snag.figure;
    const label = `Carry it out to ${text(showLength(snag.limit, headOf(job).units))}`;
    const puts: Element[] = [{ ...discharge, buildingDistance: snag.limit }];
    for (const run of ofKind(job, 'run'))
      if (run.to === discharge.id) puts.push({ ...run, length: run.length + further });
    return { label, change: { label, puts, removes: [] } };
  },
};
