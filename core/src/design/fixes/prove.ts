/** A fix is offered only when the plan that it gives is better: its snag is gone, and nothing as bad or worse has come in its place. */
import { SEVERITIES, snagKey, type Snag } from '../../snags/snag';

const rank = ({ severity }: Snag): number => SEVERITIES.indexOf(severity);

/** How far a snag's figure is from its limit. */
const miss = ({ figure, limit }: Snag): number => Math.abs(figure - limit);

/** By how much a figure may move and still be what it was: flows shift a little with the time that water takes down another pipe. */
const SAME = 0.02;
const ROUNDING = 1e-6;

/** Whether a snag that was there before has become worse. */
function worsened(now: Snag, before: Snag): boolean {
  if (now.severity !== before.severity) return rank(now) < rank(before);
  return miss(now) > miss(before) * (1 + SAME) + ROUNDING;
}

/**
 * Tells of each snag of a plan whether an earlier plan had it and it is no worse. Asked once for each of them: one that has gone from
 * where it was, and only stands at another element now or names another (as when its run was split), counts for one that has come.
 * `but` is a snag of the earlier plan for which nothing may stand in.
 */
export function noWorse(before: readonly Snag[], after: readonly Snag[], but?: Snag): (now: Snag) => boolean {
  const known = new Map<string, Snag[]>();
  for (const each of before) {
    const key = snagKey(each);
    const alike = known.get(key);
    if (alike) alike.push(each);
    else known.set(key, [each]);
  }
  const still = new Set(after.map(snagKey));
  const gone = before.filter((each) => each !== but && !still.has(snagKey(each)));
  return (now) => {
    const was = known.get(snagKey(now));
    if (was) return was.some((each) => !worsened(now, each));
    const moved = gone.findIndex((each) => each.code === now.code && !worsened(now, each));
    if (moved === -1) return false;
    gone.splice(moved, 1);
    return true;
  };
}

/** Whether `snag` of a plan with the snags `before` is fixed in one with `after`. */
export function isFixed(snag: Snag, before: readonly Snag[], after: readonly Snag[]): boolean {
  const key = snagKey(snag);
  const asItWas = noWorse(before, after, snag);
  return after.every((now) => snagKey(now) !== key && (rank(now) > rank(snag) || asItWas(now)));
}
