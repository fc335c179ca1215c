import { OUTFALLS } from '../catalogue/outfalls';
import type { Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { LEVEL_TOLERANCE, type Rule, type Snag } from './snag';

/** A pop-up's line stands full to its lid: any inlet lower than that, plus what friction adds, is where the water comes out. */
export const lidAboveInlet: Rule = {
  code: 'lidAboveInlet',
  short: 'lid too high',
  find: (job: Job, { landings }: Solution): Snag[] => {
    const worst = new Map<string, Snag>();
    for (const landing of Object.values(landings)) {
      const outlet = job.elements.get(landing.outlet ?? '');
      if (
        outlet?.kind !== 'discharge' ||
        OUTFALLS[outlet.form].drainsDry ||
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
};
