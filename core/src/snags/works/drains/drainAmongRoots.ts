import { ofKind } from '../../../job/job';
import { rootReach } from '../../../job/kinds';
import { footOnWay } from '../../../site/place';
import { perforatedWays } from './alike';
import { workRule } from '../work';

export const drainAmongRoots = workRule({
  code: 'drainAmongRoots',
  severity: 'mind',
  measure: 'length',
  find: (make, job, solution) =>
    perforatedWays(job, solution).flatMap(({ id, ways }) =>
      ofKind(job, 'tree').flatMap((tree) => {
        const { place } = tree;
        if (!place) return [];
        const near = Math.min(
          Number.POSITIVE_INFINITY,
          ...ways.flatMap((way) => footOnWay(way, place)?.distance ?? []),
        );
        return near < rootReach(tree) ? [make(id, near, rootReach(tree), { other: tree.id })] : [];
      }),
    ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} lies ${say.show('length', snag.figure)} from ${say.name(snag.other!)}, whose roots reach ${say.show('length', snag.limit)}.`,
    why: 'Roots grow into every hole that gives water. Lay it solid with tight joints there, or further away.',
  }),
});
