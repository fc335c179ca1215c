import { MAX_OVER_SILL } from '../../inlets';
import { isWithin, type DoorPlan } from '../../openings/doors';
import type { Rule, Snag } from '../snag';

/** A snag at an opening, with what brings the water. */
export const atDoor = ({ opening, left, by }: DoorPlan, { code, limit }: { code: string; limit: number }): Snag => ({
  code,
  severity: 'stop',
  at: opening,
  measure: 'small',
  figure: left!,
  limit,
  ...(by === null ? {} : { other: by }),
});

/** Water comes nearer than the margin to an opening that is drawn, wherever it comes from. */
export const doorNear: Rule = {
  code: 'doorNear',
  short: 'near a sill',
  find: (_, { doors, settings: { openingMargin } }) =>
    doors
      .filter((door) => isWithin(door, openingMargin))
      .map((door) => atDoor(door, { code: 'doorNear', limit: openingMargin })),
  tell: (snag, say) => {
    const from = snag.other === undefined ? 'in the hollow before it' : `from ${say.name(snag.other)}`;
    return {
      headline:
        snag.figure < 0
          ? `Water ${from} stands ${say.show('small', -snag.figure)}${-snag.figure >= MAX_OVER_SILL ? ' or more' : ''} over the sill of ${say.name(snag.at)}.`
          : `Water ${from} comes within ${say.show('small', snag.figure)} of the sill of ${say.name(snag.at)}.`,
      why: `${say.show('small', snag.limit)} is the margin here. Leaves, a larger storm or a settled slab use it up.`,
      instead: 'Lower the grate or the ground, lead the water off before it comes there, or give it a larger inlet.',
    };
  },
};
