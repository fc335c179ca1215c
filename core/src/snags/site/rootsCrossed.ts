import { waysOf } from '../../job/buildWays';
import { headOf, ofKind, type Job } from '../../job/job';
import { isLaid, type Run } from '../../job/kinds';
import { crossingsOfRun } from '../../yard/crossings';
import type { Rule, Snag } from '../snag';

/** Pipe whose joints roots do not find their way into: gasketed, or glued. */
const isTight = (job: Job, { material, old }: Run): boolean =>
  material === 'doubleWall' || (material === 'smooth' && (old !== undefined || waysOf(headOf(job).ways).gluedJoints));

/** A line of loose joints through the ground that a tree's roots seek water in. */
export const rootsCrossed: Rule = {
  code: 'rootsCrossed',
  find: (job) => {
    if (ofKind(job, 'tree').length === 0) return [];
    return ofKind(job, 'run').flatMap((run) =>
      isTight(job, run) || !isLaid(run)
        ? []
        : crossingsOfRun(job, run)
            .filter(({ kind }) => kind === 'tree')
            .map(({ id, from, to }): Snag => ({
              code: 'rootsCrossed',
              severity: 'mind',
              at: run.id,
              other: id,
              measure: 'length',
              figure: to - from,
              limit: 0,
            })),
    );
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} lies for ${say.show('length', snag.figure)} among the roots of ${say.name(snag.other!)}.`,
    why: 'Roots find every joint that lets water out. Glued or gasketed pipe keeps them out; further away is better for pipe and tree.',
  }),
};
