import { isControlKnown } from '../../catalogue/outfalls';
import { reached } from '../ends';
import type { Rule } from '../snag';

/** A main is to be joined of which nobody has said how deep it lies. */
export const mainLevelMissing: Rule = {
  code: 'mainLevelMissing',
  short: 'main not found',
  find: (job, { ends }) =>
    reached(job, ends)
      .filter((discharge) => !isControlKnown(discharge))
      .map(({ id }) => ({ code: 'mainLevelMissing', severity: 'stop', at: id, measure: 'count', figure: 0, limit: 1 })),
  tell: (snag, say) => ({
    headline: `Nobody has said how deep ${say.name(snag.at)} lies.`,
    why: 'A line can only be laid to a main whose invert is known where it is joined. Open it up, or measure down at the next manhole.',
    instead: 'Type the level of its invert at the way out.',
  }),
};
