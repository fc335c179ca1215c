import { keptOf, ofKind, type Job } from '../../job/job';
import type { Surface } from '../../job/kinds';
import { step } from '../../numeric/kept';
import type { Rule } from '../snag';

const bedsDrainTo = step('what mulch beds drain to', ({ surfaces }: { surfaces: readonly Surface[] }) => {
  const beds = surfaces.filter(({ cover }) => cover === 'mulch');
  return new Set(beds.flatMap(({ feeds }) => feeds.map(({ to }) => to)));
});

/** Ids that mulch beds drain to; a yard may hold thousands of them, and few edits touch one. */
export const belowMulch = (job: Job): ReadonlySet<string> =>
  keptOf(job).ask(bedsDrainTo, { surfaces: ofKind(job, 'surface') });

/** A flat grate that a mulch bed drains to: the first storm floats the bed onto it. */
export const flatInMulch: Rule = {
  code: 'flatInMulch',
  find: (job) => {
    const mulched = belowMulch(job);
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
