/** Water in the open: swales, culverts under drives, berms: what its rules have alike. */
import { crossing, type Place } from '../../../site/place';

export const sidesOf = (way: readonly Place[]): [Place, Place][] => way.slice(1).map((b, k) => [way[k]!, b]);
export const crosses = (one: readonly Place[], other: readonly Place[]): boolean =>
  sidesOf(one).some(([a, b]) => sidesOf(other).some(([c, d]) => crossing(a, b, c, d) !== null));
/** The rarer rain's plans where there are any. */
export const worst = <T>(rarer: T[], design: T[]): T[] => (rarer.length > 0 ? rarer : design);
