import type { Snag } from './snag';

/** What a rule finds in a list, in its order; a plain loop, as some sixty rules go through all runs and landings at every edit. */
export function each<T>(things: readonly T[], find: (thing: T, index: number) => Snag | null): Snag[] {
  const found: Snag[] = [];
  for (let k = 0; k < things.length; k++) {
    const snag = find(things[k]!, k);
    if (snag) found.push(snag);
  }
  return found;
}
