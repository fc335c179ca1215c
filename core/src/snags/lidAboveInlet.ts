import { put } from '../job/change';
import type { Job } from '../job/job';
import { METRES_PER_INCH } from '../units/constants';
import type { Solution } from '../solve';
import { dischargeOf } from './edits';
import { LEVEL_TOLERANCE, type Rule, type Snag } from './snag';

/** How far inlets should stand clear of the water behind the lid when it is moved, m. */
const CLEAR = METRES_PER_INCH;

/** A pop-up's line stands full to its lid: any inlet lower than that, plus what friction adds, is where the water comes out. */
export const lidAboveInlet: Rule = {
  code: 'lidAboveInlet',
  find: (job: Job, { landings }: Solution): Snag[] => {
    const worst = new Map<string, Snag>();
    for (const landing of Object.values(landings)) {
      const outlet = job.elements[landing.outlet ?? ''];
      if (
        outlet?.kind !== 'discharge' ||
        outlet.form !== 'popup' ||
        landing.waterLevel === null ||
        landing.kind === 'discharge' ||
        landing.kind === 'junction'
      )
        continue;
      const over = landing.waterLevel - landing.groundLevel;
      if (over < -LEVEL_TOLERANCE || over <= (worst.get(landing.outlet!)?.figure ?? Number.NEGATIVE_INFINITY)) continue;
      worst.set(landing.outlet!, {
        code: 'lidAboveInlet',
        severity: 'stop',
        at: landing.outlet!,
        other: landing.id,
        measure: 'small',
        figure: over,
        limit: 0,
      });
    }
    return [...worst.values()];
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} cannot open before water stands ${say.show('small', snag.figure)} over ${say.name(snag.other!)}.`,
    why: 'The line behind a pop-up stands full to its lid, and friction adds to that upstream. The lowest inlet becomes the outlet.',
  }),
  fix: (snag, job) => {
    const discharge = dischargeOf(job, snag.at);
    const label = 'Move the pop-up to lower ground, to be found';
    return {
      label,
      change: put(label, { ...discharge, groundLevel: discharge.groundLevel - snag.figure - CLEAR, assumed: true }),
    };
  },
};
