import { MAX_OVER_SILL } from '../../inlets';
import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';

/** In the rarer rain that openings are checked by, water stands over a sill. Where the design rain comes near it already, that is told. */
export const openingFloods: Rule = {
  code: 'openingFloods',
  short: 'floods a sill',
  find: (job, { openings, inlets, settings }) =>
    (openings ? entriesOf(job, openings.freeboards) : []).flatMap(([id, freeboard]) => {
      const inlet = inlets[id];
      const nearAlready =
        inlet !== undefined &&
        inlet.kind !== 'downspout' &&
        inlet.freeboard !== null &&
        inlet.freeboard < settings.openingMargin;
      if (freeboard >= 0 || nearAlready) return [];
      return [
        {
          code: 'openingFloods',
          severity: 'stop' as const,
          at: id,
          measure: 'small' as const,
          figure: -freeboard,
          limit: 0,
          years: openings!.returnPeriod,
        },
      ];
    }),
  tell: (snag, say) => ({
    headline: `In the ${snag.years}-year rain water stands ${say.show('small', snag.figure)}${snag.figure >= MAX_OVER_SILL ? ' or more' : ''} over the sill at ${say.name(snag.at)}.`,
    why: 'What comes in at a door costs more than any pipe. A larger inlet or line, or ground that leads the excess off below the sill, keeps it out.',
    instead: 'Give it a larger grate, channel or pipe, or say at what level water runs off clear of the door.',
  }),
};
