import { valuesOf } from '../valuesOf';
import { OUTFALLS } from '../../catalogue/outfalls';
import type { Job } from '../../job/job';
import type { Discharge, Landing } from '../../job/kinds';
import type { Solution } from '../../plan/solution';
import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule, Snag } from '../snag';

/** How far (m) the raised lid of a way out that does not drain dry stands over an inlet; null where it drains dry. */
export function lidOver(discharge: Discharge, landing: Landing, settings: Solution['settings']): number | null {
  const outfall = OUTFALLS[discharge.form];
  return outfall.drainsDry ? null : outfall.control(discharge, settings) - landing.groundLevel;
}

/** A pop-up's line stands full to its lid, whatever the pipe: any inlet lower than that is where the water comes out. */
export const lidAboveInlet: Rule = {
  code: 'lidAboveInlet',
  short: 'lid too high',
  find: (job: Job, { landings, settings }: Solution): Snag[] => {
    const worst = new Map<string, Snag>();
    for (const landing of valuesOf(job, landings)) {
      const outlet = job.elements.get(landing.outlet ?? '');
      if (outlet?.kind !== 'discharge' || landing.kind === 'discharge' || landing.kind === 'junction') continue;
      const over = lidOver(outlet, job.elements.get(landing.id) as Landing, settings);
      if (
        over === null ||
        over < -LEVEL_TOLERANCE ||
        over <= (worst.get(landing.outlet!)?.figure ?? Number.NEGATIVE_INFINITY)
      )
        continue;
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
