import { ofKind } from '../job/job';
import type { Rule } from './snag';

/** A flat grate that a mulch bed drains to: the first storm floats the bed onto it. */
export const flatInMulch: Rule = {
  code: 'flatInMulch',
  find: (job) => {
    const mulched = new Set(
      ofKind(job, 'surface')
        .filter((surface) => surface.cover === 'mulch')
        .flatMap((surface) => surface.feeds.map((feed) => feed.to)),
    );
    return ofKind(job, 'basin')
      .filter((basin) => mulched.has(basin.id) && basin.grate !== 'dome12')
      .map((basin) => ({
        code: 'flatInMulch',
        severity: 'fix' as const,
        at: basin.id,
        measure: 'count' as const,
        figure: 1,
        limit: 0,
      }));
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} has a flat grate below a mulch bed.`,
    why: 'Mulch floats, and the first storm mats it over a flat grate. A dome stands above it and goes on taking water.',
  }),
};
