import { rainOf } from '../../job/job';
import { firstToProtect } from '../../openings/firstToProtect';
import type { Rule } from '../snag';

/** A sill is to be protected, and no rarer rain is said to check it by. */
export const openingRainMissing: Rule = {
  code: 'openingRainMissing',
  find: (job) => {
    const rain = rainOf(job);
    const inlet = firstToProtect(job);
    return rain && !rain.openings && inlet
      ? [
          {
            code: 'openingRainMissing',
            severity: 'mind' as const,
            at: 'rain',
            measure: 'count' as const,
            figure: 0,
            limit: 1,
            other: inlet.id,
          },
        ]
      : [];
  },
  tell: (snag, say) => ({
    headline: `The sill at ${say.name(snag.other!)} is checked by the design rain alone.`,
    why: 'Doors and window wells are commonly checked by the 100-year rain, which is half as much again or more.',
    instead: 'Type it under Design rain, or take a rain that has a table.',
  }),
};
