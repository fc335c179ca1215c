/** Snags of a plan with old pipes that nobody knows the fall of: planned at the flattest and at the steepest that they may fall. */
import { SEVERITIES, snagKey, type Snag } from './snag';

const worse = (one: Snag, other: Snag): boolean =>
  SEVERITIES.indexOf(one.severity) < SEVERITIES.indexOf(other.severity);

const rank = ({ severity, accepted }: Snag): number => 2 * SEVERITIES.indexOf(severity) + (accepted ? 1 : 0);

/** Those of both, the worse of each; what comes only one way says so. Worst first, as each list is. */
export function eitherWay(flattest: readonly Snag[], steepest: readonly Snag[]): Snag[] {
  const other = new Map(steepest.map((snag) => [snagKey(snag), snag]));
  const keys = new Set(flattest.map(snagKey));
  const all = [
    ...flattest.map((snag): Snag => {
      const there = other.get(snagKey(snag));
      return !there ? { ...snag, onlyAt: 'flattest' } : worse(there, snag) ? { ...there, onlyAt: 'steepest' } : snag;
    }),
    ...steepest.filter((snag) => !keys.has(snagKey(snag))).map((snag): Snag => ({ ...snag, onlyAt: 'steepest' })),
  ];
  return all.sort((a, b) => rank(a) - rank(b));
}
