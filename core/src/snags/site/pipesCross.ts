import { outsideOf } from '../../catalogue/supply';
import { keptOf, ofKind, type Job } from '../../job/job';
import { isLaid, isNew, type Drain, type Run } from '../../job/kinds';
import { wayOfRun } from '../../job/places';
import { step } from '../../numeric/kept';
import type { RunPlan, Solution } from '../../plan/solution';
import type { DrainPlan } from '../../works/drain';
import { crossing, extentOf, footOnWay, wayLength, type Extent, type Place } from '../../site/place';
import type { Rule, Snag } from '../snag';

/** A pipe as it is drawn: of a run, or of a drain. */
interface Drawn {
  of: Run | Drain;
  way: readonly Place[];
  box: Extent;
}

/** Two that cross on the plan, and how far down each, as a share of it. */
interface Cross {
  one: Run | Drain;
  other: Run | Drain;
  shareOfOne: number;
  shareOfOther: number;
}

/** Two pipes whose middles come so near on the plan lie in one another where they are as deep, m; and nearer than so to where one ends it ends there. */
const TOUCH = 0.075;
const END = 0.5;

const apart = (a: Extent, b: Extent): boolean =>
  a.west > b.east + TOUCH || b.west > a.east + TOUCH || a.south > b.north + TOUCH || b.south > a.north + TOUCH;

const isFresh = (each: Run | Drain): boolean => (each.kind === 'run' ? isNew(each) : !each.here);

/** Landings that one ends in, or is. */
const endsOf = (each: Run | Drain): readonly string[] => (each.kind === 'run' ? [each.from, each.to] : [each.id]);

/** What meets in a landing is joined there; and runs laid in one trench by hand lie beside each other in it, however they are drawn. */
function joined(a: Run | Drain, b: Run | Drain): boolean {
  if (endsOf(a).some((id) => endsOf(b).includes(id))) return true;
  return a.kind === 'run' && b.kind === 'run' && (a.beside === b.id || b.beside === a.id);
}

/** Where two ways cross, as often as they do, and where one turns on the other without going over it. */
function crossOf({ of: one, way: a }: Drawn, { of: other, way: b }: Drawn): Cross[] {
  const [wholeA, wholeB] = [wayLength(a), wayLength(b)];
  const found: Cross[] = [];
  let goneA = 0;
  for (let k = 1; k < a.length; k++) {
    const lengthA = wayLength([a[k - 1]!, a[k]!]);
    let goneB = 0;
    for (let j = 1; j < b.length; j++) {
      const lengthB = wayLength([b[j - 1]!, b[j]!]);
      const at = crossing(a[k - 1]!, a[k]!, b[j - 1]!, b[j]!);
      if (at)
        found.push({
          one,
          other,
          shareOfOne: (goneA + at.first * lengthA) / wholeA,
          shareOfOther: (goneB + at.second * lengthB) / wholeB,
        });
      goneB += lengthB;
    }
    goneA += lengthA;
  }
  for (const { along, foot } of touches(a, b))
    found.push({ one, other, shareOfOne: along / wholeA, shareOfOther: foot / wholeB });
  for (const { along, foot } of touches(b, a))
    found.push({ one, other, shareOfOne: foot / wholeA, shareOfOther: along / wholeB });
  return found;
}

/** Bends of one way that lie on another: how far along each, m. */
function touches(way: readonly Place[], other: readonly Place[]): { along: number; foot: number }[] {
  const whole = wayLength(other);
  let along = 0;
  return way.slice(1, -1).flatMap((bend, k) => {
    along += wayLength([way[k]!, bend]);
    const foot = footOnWay(other, bend);
    const isOn = foot && foot.distance < TOUCH && foot.along > END && foot.along < whole - END;
    return isOn ? [{ along, foot: foot.along }] : [];
  });
}

/** Places where two cross, by pair; of old pipes alone none, as they lie there. */
const crosses = step('pipes that cross', ({ drawn }: { drawn: readonly Drawn[] }): readonly Cross[] =>
  drawn.flatMap((a, k) =>
    drawn.slice(k + 1).flatMap((b): Cross[] => {
      if (apart(a.box, b.box) || joined(a.of, b.of) || !(isFresh(a.of) || isFresh(b.of))) return [];
      return crossOf(a, b);
    }),
  ),
);

const drawnPipes = step('ways of pipes', ({ made }: { made: readonly Drawn[] }): readonly Drawn[] => made);
const alike = (a: readonly Drawn[], b: readonly Drawn[]): boolean =>
  a.length === b.length && a.every((each, k) => each.of === b[k]!.of && sameBox(each.box, b[k]!.box));
const sameBox = (a: Extent, b: Extent): boolean =>
  a.west === b.west && a.east === b.east && a.south === b.south && a.north === b.north;

function crossesOf(job: Job): readonly Cross[] {
  const kept = keptOf(job);
  const drawn = (of: Run | Drain, way: readonly Place[] | null | undefined): Drawn[] =>
    way ? [{ of, way, box: extentOf(way)! }] : [];
  const made = [
    ...ofKind(job, 'run').flatMap((run) => drawn(run, isLaid(run) ? wayOfRun(job, run) : null)),
    ...ofKind(job, 'drain').flatMap((drain) => drawn(drain, drain.way)),
  ];
  return made.length < 2 ? [] : kept.ask(crosses, { drawn: kept.alike(drawnPipes, made, alike) });
}

/** Levels of a pipe's outside, m. */
export interface Body {
  top: number;
  bottom: number;
}

/** Outside of a run at a share of its length. */
export function bodyAt(run: Run, planned: RunPlan, share: number): Body {
  const invert = planned.invertUp + (planned.invertDown - planned.invertUp) * share;
  const wall = Math.max(0, (outsideOf(run.material, run.nominal) - planned.diameter) / 2);
  return { top: invert + planned.diameter + wall, bottom: invert - wall };
}

/** The same of a drain's perforated pipe. */
function bodyOfDrain({ nominal }: Drain, { invertHead, invertFoot }: DrainPlan, share: number): Body {
  const invert = invertHead + (invertFoot - invertHead) * share;
  const wall = Math.max(0, (outsideOf('singleWall', nominal) - nominal) / 2);
  return { top: invert + nominal + wall, bottom: invert - wall };
}

function bodyOf({ runs, works }: Planned, each: Run | Drain, share: number): Body | null {
  if (each.kind === 'run') {
    const planned = runs[each.id];
    return planned ? bodyAt(each, planned, share) : null;
  }
  const plan = works[each.id];
  return plan?.kind === 'drain' ? bodyOfDrain(each, plan as DrainPlan, share) : null;
}

type Planned = Pick<Solution, 'runs' | 'works'>;

/** Where two pipes cross and lie in one another: how far down each, by how much, m, and their bodies there; of a pair that does so more than once the place where they do most. */
export function clashes(job: Job, planned: Planned) {
  const all = crossesOf(job).flatMap((cross) => {
    const { one, other, shareOfOne, shareOfOther } = cross;
    const [first, second] = [bodyOf(planned, one, shareOfOne), bodyOf(planned, other, shareOfOther)];
    if (!first || !second) return [];
    const over = Math.min(first.top, second.top) - Math.max(first.bottom, second.bottom);
    const length = one.kind === 'run' ? planned.runs[one.id]!.length : wayLength(one.way!);
    return over > 0 ? [{ ...cross, first, second, over, along: shareOfOne * length }] : [];
  });
  return all.filter(
    (each, k) =>
      !all.some(
        ({ one, other, over }, j) =>
          one === each.one && other === each.other && (over > each.over || (over === each.over && j < k)),
      ),
  );
}

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
