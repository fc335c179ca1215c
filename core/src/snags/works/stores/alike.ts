/** What keeps water or lifts it: pits, gardens, beds, barrels, pump basins, stone along a slab; and pipe within pipe: what its rules have alike. */
import type { Rule } from '../../snag';
import { rarerIn, worksIn } from '../work';

/** Floor of a pit over the ground water, m: 2 ft. */
export const OVER_TABLE = 0.6096;
/** Doors that open stone guards: in the rarer rain where one is said. */
export const doors = (...[job, solution]: Parameters<Rule['find']>) => {
  const rarer = rarerIn(job, solution, 'stoneDrain');
  return (rarer.length > 0 ? rarer : worksIn(job, solution, 'stoneDrain')).filter(
    ({ freeboard }) => freeboard !== null,
  );
};
