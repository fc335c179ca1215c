/** A fix is offered only when the plan that it gives is better: its snag is gone, and nothing as bad or worse has come in its place. */
import { SEVERITIES, type Snag } from '../../snags/snag';

const rank = ({ severity }: Snag): number => SEVERITIES.indexOf(severity);
export const keyOf = ({ code, at }: Snag): string => `${code} ${at}`;

/** How far a snag's figure is from its limit. */
const miss = ({ figure, limit }: Snag): number => Math.abs(figure - limit);

/** By how much a figure may move and still be what it was: flows shift a little with the time that water takes down another pipe. */
const SAME = 0.02;
const ROUNDING = 1e-6;

/** Whether a snag that was there before has become worse. */
export function worsened(now: Snag, before: Snag): boolean {
  if (now.severity !== before.severity) return rank(now) < rank(before);
  return miss(now) > miss(before) * (1 + SAME) + ROUNDING;
}

/**
 * Whether a plan with the snags `after` mends `snag` of one with `before`. A snag that is no worse and only stands at another element now,
 * as when its run was split, has not come anew.
 */
export function mends(snag: Snag, before: readonly Snag[], after: readonly Snag[]): boolean {
  const known = new Map(before.map((each) => [keyOf(each), each]));
  const still = new Set(after.map(keyOf));
  const gone = before.filter((each) => each !== snag && !still.has(keyOf(each)));
  for (const now of after) {
    if (keyOf(now) === keyOf(snag)) return false;
    if (rank(now) > rank(snag)) continue;
    const was = known.get(keyOf(now)) ?? moved(now, gone);
    if (!was || worsened(now, was)) return false;
  }
  return true;
}

/** Takes the snag that this one was before out of those that are gone. */
function moved(now: Snag, gone: Snag[]): Snag | undefined {
  const at = gone.findIndex((each) => each.code === now.code && !worsened(now, each));
  return at < 0 ? undefined : gone.splice(at, 1)[0];
}
