import { ofKind } from '../../job/job';
import { isNew } from '../../job/kinds';
import { placeAlong, wayOfRun } from '../../job/places';
import { distanceTo, wayLength } from '../../site/place';
import { groundOf } from '../../yard/ground';
import type { Rule, Snag } from '../snag';

/** Steps in which a trench is looked at, m. */
const STEP = 0.25;

/** A trench within the 45° line down and out from a footing: the ground that carries the house would run into it. */
export const footingUndermined: Rule = {
  code: 'footingUndermined',
  find: (job, { runs }) => {
    const buildings = ofKind(job, 'building').filter(
      ({ outline, footingDepth }) => outline !== undefined && footingDepth !== undefined,
    );
    if (buildings.length === 0) return [];
    const { surface } = groundOf(job);
    return ofKind(job, 'run').flatMap((run): Snag[] => {
      const way = isNew(run) ? wayOfRun(job, run) : null;
      const planned = runs[run.id];
      if (!way || !planned) return [];
      const whole = wayLength(way);
      return buildings.flatMap((building): Snag[] => {
        let worst: Snag | null = null;
        for (let at = 0; at <= whole; at += STEP) {
          const place = placeAlong(way, at);
          const along = (planned.length * at) / whole;
          const away = distanceTo(building.outline!, place);
          const ground =
            surface?.levelAt(place) ??
            planned.groundUp + ((planned.groundDown - planned.groundUp) * along) / planned.length;
          const bottom = planned.invertUp - planned.pitch * along;
          const footing = ground - building.footingDepth!;
          // Below the line that goes one down for each one out from the underside of the footing.
          const below = footing - away - bottom;
          if (away > 0 && below > 0.01 && (!worst || below > worst.figure))
            worst = {
              code: 'footingUndermined',
              severity: 'stop',
              at: run.id,
              other: building.id,
              measure: 'small',
              figure: below,
              limit: 0,
              length: along,
            };
        }
        return worst ? [worst] : [];
      });
    });
  },
  tell: (snag, say) => ({
    headline: `The trench of ${say.name(snag.at)} goes ${say.show('small', snag.figure)} below the 45° line from the footing of ${say.name(snag.other!)}, ${say.show('length', snag.length!)} down it.`,
    why: 'Ground that carries a footing runs into a trench dug too near and too deep. Keep further off, or lay it shallower; else it is an engineer’s work.',
    instead: 'Lead the line further from the wall, or raise it.',
  }),
};
