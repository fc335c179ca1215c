import { ofKind } from '../../job/job';
import { isDug, isLaid } from '../../job/kinds';
import { wayOfRun } from '../../job/places';
import { linesCrossed } from '../../yard/crossings';
import type { Rule, Snag } from '../snag';

/** A line over a property line that the neighbour has not agreed to. */
export const boundaryCrossed: Rule = {
  code: 'boundaryCrossed',
  find: (job) => {
    const lines = new Map(
      ofKind(job, 'barrier')
        .filter(({ form, consent }) => form === 'propertyLine' && consent !== 'given')
        .map((each) => [each.id, each]),
    );
    if (lines.size === 0) return [];
    return ofKind(job, 'run').flatMap((run) =>
      // One that is cut off brings nobody water any more, and nobody digs for it.
      linesCrossed((isLaid(run) || isDug(run) ? wayOfRun(job, run) : null) ?? [], [...lines.values()]).map(
        ({ id, from }): Snag => ({
          code: 'boundaryCrossed',
          severity: 'stop',
          at: run.id,
          other: id,
          measure: 'length',
          figure: from,
          limit: 0,
        }),
      ),
    );
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} crosses ${say.name(snag.other!)} ${say.show('length', snag.figure)} down it, without the neighbour’s consent.`,
    why: 'Water may not be brought onto another’s land, nor a trench, without their leave in writing.',
    instead: 'Say on the property line’s sheet that there is consent, or lead the line elsewhere.',
  }),
};
