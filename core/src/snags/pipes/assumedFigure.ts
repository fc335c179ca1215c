import { OUTFALLS } from '../../catalogue/outfalls';
import { ofKind } from '../../job/job';
import { isLaid } from '../../job/kinds';
import type { Rule } from '../snag';

/** A length or level that stands in until somebody measures it. */
export const assumedFigure: Rule = {
  code: 'assumedFigure',
  find: (job) => [
    ...ofKind(job, 'run')
      .filter((run) => run.assumed && isLaid(run))
      .map((run) => ({
        code: 'assumedFigure',
        severity: 'mind' as const,
        at: run.id,
        measure: 'length' as const,
        figure: run.length,
        limit: run.length,
      })),
    ...ofKind(job, 'discharge')
      // One in a channel has the channel's level.
      .filter((discharge) => discharge.assumed && !OUTFALLS[discharge.form].inChannel)
      .map((discharge) => ({
        code: 'assumedFigure',
        severity: 'mind' as const,
        at: discharge.id,
        measure: 'level' as const,
        figure: discharge.groundLevel,
        limit: discharge.groundLevel,
      })),
  ],
  tell: (snag, say) => ({
    headline:
      snag.measure === 'length'
        ? `The length of ${say.name(snag.at)} is assumed: ${say.show('length', snag.figure)}.`
        : `The level of ${say.name(snag.at)} is assumed: ${say.show('level', snag.figure)}.`,
    why: 'Nobody has measured it yet. Everything below rests on it.',
  }),
};
