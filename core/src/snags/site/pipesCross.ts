import { outsideOf } from '../../catalogue/supply';
import { keptOf, ofKind, type Job } from '../../job/job';
import { isLaid, isNew, type Run } from '../../job/kinds';
import { wayOfRun } from '../../job/places';
import { step } from '../../numeric/kept';
import type { RunPlan, Solution } from '../../plan/solution';
import { crossing, extentOf, wayLength, type Extent, type Place } from '../../site/place';
import type { Rule, Snag } from '../snag';

interface Drawn {
  run: Run;
  way: readonly Place[];
  box: Extent;
}

/** Two runs that cross on the plan, and how far down each, as a share of it. */
interface Cross {
  one: Run;
  other: Run;
  shareOfOne: number;
  shareOfOther: number;
}

const apart = (a: Extent, b: Extent): boolean =>
  a.west > b.east || b.west > a.east || a.south > b.north || b.south > a.north;

/** Runs that meet in a landing are joined there; those that are laid in one trench by hand lie beside each other in it, however they are drawn. */
const joined = (a: Run, b: Run): boolean =>
  [a.from, a.to].some((id) => id === b.from || id === b.to) || a.beside === b.id || b.beside === a.id;

/** Where two ways first cross; null where they do not. */
function crossOf({ run: one, way: a }: Drawn, { run: other, way: b }: Drawn): Cross | null {
  const [wholeA, wholeB] = [wayLength(a), wayLength(b)];
  let goneA = 0;
  for (let k = 1; k < a.length; k++) {
    const lengthA = wayLength([a[k - 1]!, a[k]!]);
    let goneB = 0;
    for (let j = 1; j < b.length; j++) {
      const lengthB = wayLength([b[j - 1]!, b[j]!]);
      const at = crossing(a[k - 1]!, a[k]!, b[j - 1]!, b[j]!);
      if (at)
        return {
          one,
          other,
          shareOfOne: (goneA + at.first * lengthA) / wholeA,
          shareOfOther: (goneB + at.second * lengthB) / wholeB,
        };
      goneB += lengthB;
    }
    goneA += lengthA;
  }
  return null;
}

/** Pairs of runs that cross, each once; of old pipes alone none, as they lie there. */
const crosses = step('runs that cross', ({ drawn }: { drawn: readonly Drawn[] }): readonly Cross[] =>
  drawn.flatMap((a, k) =>
    drawn.slice(k + 1).flatMap((b): Cross[] => {
      if (apart(a.box, b.box) || joined(a.run, b.run) || !(isNew(a.run) || isNew(b.run))) return [];
      const found = crossOf(a, b);
      return found ? [found] : [];
    }),
  ),
);

const drawnRuns = step('ways of runs', ({ made }: { made: readonly Drawn[] }): readonly Drawn[] => made);
const alike = (a: readonly Drawn[], b: readonly Drawn[]): boolean =>
  a.length === b.length && a.every(({ run, box }, k) => run === b[k]!.run && sameBox(box, b[k]!.box));
const sameBox = (a: Extent, b: Extent): boolean =>
  a.west === b.west && a.east === b.east && a.south === b.south && a.north === b.north;

function crossesOf(job: Job): readonly Cross[] {
  const kept = keptOf(job);
  const made = ofKind(job, 'run').flatMap((run): Drawn[] => {
    const way = isLaid(run) ? wayOfRun(job, run) : null;
    return way ? [{ run, way, box: extentOf(way)! }] : [];
  });
  return made.length < 2 ? [] : kept.ask(crosses, { drawn: kept.alike(drawnRuns, made, alike) });
}

/** Top and bottom of a pipe, outside, at a share of its length, m. */
export function bodyAt(run: Run, planned: RunPlan, share: number): { top: number; bottom: number } {
  const invert = planned.invertUp + (planned.invertDown - planned.invertUp) * share;
  const wall = Math.max(0, (outsideOf(run.material, run.nominal) - planned.diameter) / 2);
  return { top: invert + planned.diameter + wall, bottom: invert - wall };
}

/** Where two runs cross and lie in one another: how far down each, by how much, m, and their bodies there. */
export const clashes = (job: Job, { runs }: Pick<Solution, 'runs'>) =>
  crossesOf(job).flatMap(({ one, other, shareOfOne, shareOfOther }) => {
    const [a, b] = [runs[one.id], runs[other.id]];
    if (!a || !b) return [];
    const [first, second] = [bodyAt(one, a, shareOfOne), bodyAt(other, b, shareOfOther)];
    const over = Math.min(first.top, second.top) - Math.max(first.bottom, second.bottom);
    return over > 0
      ? [{ one, other, shareOfOne, shareOfOther, first, second, over, along: shareOfOne * a.length }]
      : [];
  });

/** Two pipes that cross on the plan, joined by nothing, at one depth. */
export const pipesCross: Rule = {
  code: 'pipesCross',
  find: (job, solution) =>
    clashes(job, solution).map(({ one, other, over, along }): Snag => ({
      code: 'pipesCross',
      severity: 'stop',
      at: one.id,
      other: other.id,
      measure: 'small',
      figure: over,
      limit: 0,
      length: along,
    })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} and ${say.name(snag.other!)} run into each other ${say.show('length', snag.length!)} down the first.`,
    why: 'They cross on the plan at one depth, and nothing joins them there.',
    instead: 'Lead one under the other, round it, or into it by a wye.',
  }),
};
