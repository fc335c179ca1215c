import { MAX_OVER_SILL } from '../../inlets';
import { isWithin } from '../../openings/doors';
import type { Rule } from '../snag';
import { atDoor } from './doorNear';

/** In the rarer rain water stands over the sill of an opening that is drawn. Where the design rain comes near it already, that is told. */
export const doorFloods: Rule = {
  code: 'doorFloods',
  short: 'floods a sill',
  find: (_, { openings, doors, settings: { openingMargin } }) => {
    const near = new Set(doors.filter((door) => isWithin(door, openingMargin)).map(({ opening }) => opening));
    return (openings?.doors ?? [])
      .filter((door) => isWithin(door, 0) && !near.has(door.opening))
      .map((door) => ({
        ...atDoor(door, { code: 'doorFloods', limit: 0 }),
        figure: -door.left!,
        years: openings!.returnPeriod,
      }));
  },
  tell: (snag, say) => ({
    headline: `In the ${snag.years}-year rain water ${snag.other === undefined ? 'in the hollow before it' : `from ${say.name(snag.other)}`} stands ${say.show('small', snag.figure)}${snag.figure >= MAX_OVER_SILL ? ' or more' : ''} over the sill of ${say.name(snag.at)}.`,
    why: 'What comes in at a door costs more than any pipe. A larger inlet or line, or ground that leads the excess off below the sill, keeps it out.',
    instead: 'Give it a larger grate, channel or pipe, or shape the ground so that water runs off clear of the door.',
  }),
};
