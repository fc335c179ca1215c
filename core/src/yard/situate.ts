/**
 * A job with what its places say: lengths by the plan, levels by the ground, and ground that runs to inlets. A job without places is
 * itself. Nothing of it is stored: it is worked out before the plan and read by it.
 */
import { letsInto } from '../catalogue/outfalls';
import { USUAL_SOIL, type Soil } from '../catalogue/soils';
import { placeOf } from '../ground/grid';
import { elementOf, headOf, ofKind, type Job } from '../job/job';
import {
  LANDING_KINDS,
  type Basin,
  type Channel,
  type Discharge,
  type Element,
  type Landing,
  type Surface,
} from '../job/kinds';
import { placeOfLanding, lengthOfRun } from '../job/places';
import { lastFew } from '../numeric/lastFew';
import { stage } from '../numeric/stage';
import { areaOf, footOnWay, wayLength, type Place } from '../site/place';
import { floorOf, type LevelAt } from '../works/swale';
import { catchmentsOf } from './catchments';
import { leadingIn } from './downhill';
import { groundOf } from './ground';
import { meetsFirst, yardWater, type YardWater } from './water';

/** Whether a surface's water goes where the ground leads it: drawn, and led nowhere by hand. */
export const followsGround = ({ outline, feeds }: Surface): boolean => outline !== undefined && feeds.length === 0;

/** Inlets whose ground is taken from the plan: placed, and fed by no typed ground. */
function gatheringInlets(job: Job): (Basin | Channel)[] {
  const typed = new Set(ofKind(job, 'surface').flatMap(({ feeds }) => feeds.map(({ to }) => to)));
  return [
    ...ofKind(job, 'basin').filter(({ id, place }) => place && !typed.has(id)),
    ...ofKind(job, 'channel').filter(({ id, way }) => way && !typed.has(id)),
  ];
}

const clear = new WeakMap<readonly unknown[], boolean>();

/** Whether none of a list is so; asked once for a list that stays as it is. Of one kind only one thing is ever asked. */
function none<T>(list: readonly T[], isSo: (each: T) => boolean): boolean {
  const known = clear.get(list);
  if (known !== undefined) return known;
  const answer = !list.some(isSo);
  clear.set(list, answer);
  return answer;
}

/** True of a job in which no figure hangs on a place. */
function isUnplaced(job: Job): boolean {
  return (
    ofKind(job, 'spotLevel').length === 0 &&
    ofKind(job, 'breakline').length === 0 &&
    none(ofKind(job, 'run'), ({ lengthFrom }) => lengthFrom !== undefined) &&
    none(ofKind(job, 'surface'), ({ outline }) => outline !== undefined) &&
    none(ofKind(job, 'discharge'), (each) => letsInto(each) !== undefined && each.controlLevel === undefined)
  );
}

/** Jobs remembered as their places say: as made and under the finger, and what is tried on them. */
const REMEMBERED = 4;
/** Elements of a job that is situated already: asked again, it is itself. */
const done = new WeakSet<Job['elements']>();

/** The job as its places say, the same again for the same job while it is among the last few. */
export const situated: (job: Job) => Job = lastFew(REMEMBERED, (job: Job): Job => {
  if (done.has(job.elements) || isUnplaced(job)) return job;
  const elements = placed(job);
  done.add(elements);
  return { id: job.id, elements };
});

function placed(job: Job): Job['elements'] {
  const resolved = resolve(job);
  return job.elements.resolved(resolved.changed, resolved.gathered, (list) => List.of(list));
}

interface Resolved {
  /** In the place of those of their id. */
  changed: ReadonlyMap<string, Element>;
  gathered: readonly Element[];
}

function resolve(job: Job): Resolved {
  const { surface: ground } = groundOf(job);
  const changed = new Map<string, Element>();
  for (const kind of LANDING_KINDS) {
    for (const landing of ofKind(job, kind) as readonly Landing[]) {
      const next =
        landing.levelFrom === 'ground' ? levelled(landing, (place) => ground?.levelAt(place) ?? null) : landing;
      if (next !== landing) changed.set(next.id, next);
    }
  }
  for (const run of ofKind(job, 'run')) {
    if (run.lengthFrom !== 'plan') continue;
    const length = lengthOfRun(job, run);
    if (length !== run.length)
      changed.set(
        run.id,
        remembered(run, `${length}`, () => ({ ...run, length })),
      );
  }
  for (const discharge of ofKind(job, 'discharge')) {
    const floor = floorUnder(job, discharge, (place) => ground?.levelAt(place) ?? null);
    const now = (changed.get(discharge.id) ?? discharge) as Discharge;
    if (floor !== null)
      changed.set(
        discharge.id,
        remembered(now, `floor ${floor}`, () => ({ ...now, controlLevel: floor })),
      );
  }
  for (const steady of ofKind(job, 'fixedFlow')) {
    const to =
      steady.place && steady.feeds.length === 0 ? leadingIn(job)?.from(steady.place, steady.id)?.to : undefined;
    if (to !== undefined)
      changed.set(
        steady.id,
        remembered(steady, to, () => ({ ...steady, feeds: [{ to, share: 1 }] })),
      );
  }
  const drawn = ofKind(job, 'surface').filter(({ outline }) => outline !== undefined);
  for (const surface of drawn) {
    if (surface.area !== undefined || surface.feeds.length === 0) continue;
    const area = areaOf(surface.outline!);
    changed.set(
      surface.id,
      remembered(surface, `${area}`, () => ({ ...surface, area })),
    );
  }
  const water = yardWater(job);
  if (!water) return { changed, gathered: [] };
  const inlets = gatheringInlets(job).map((inlet) => (changed.get(inlet.id) ?? inlet) as Basin | Channel);
  return {
    changed,
    gathered: gathered(
      water,
      List.of(inlets),
      List.of(drawn.filter(followsGround)),
      List.of(drawn.filter((each) => !followsGround(each))),
      headOf(job).soil ?? USUAL_SOIL,
    ),
  };
}

/** Floor of the swale that a way out lets out into, where it lies on it, m; null where its own level is said, or it has none. */
function floorUnder(job: Job, discharge: Discharge, levelAt: LevelAt): number | null {
  const { controlLevel, place } = discharge;
  const into = letsInto(discharge);
  const swale = into === undefined || controlLevel !== undefined ? undefined : elementOf(job, 'swale', into);
  if (!swale) return null;
  const { head, foot } = floorOf(swale, levelAt);
  const on = place && swale.way ? footOnWay(swale.way, place) : null;
  return on ? head + (foot - head) * (on.along / wayLength(swale.way!)) : foot;
}

/** A landing at the level of the ground there: of a channel, at the lower of its ends; of a drain, at both. */
function levelled(landing: Landing, levelAt: (place: Place) => number | null): Landing {
  const own = placeOfLanding(landing);
  const ends = landing.kind === 'channel' ? (landing.way ?? []) : own ? [own] : [];
  const levels = ends.flatMap((place) => levelAt(place) ?? []);
  if (levels.length === 0) return landing;
  const groundLevel = Math.min(...levels);
  if (landing.kind !== 'drain') return remembered(landing, `${groundLevel}`, () => ({ ...landing, groundLevel }));
  const headLevel = landing.headLevel ?? levelAt(landing.way![0]!) ?? undefined;
  return remembered(landing, `${groundLevel} ${headLevel}`, () => ({
    ...landing,
    groundLevel,
    ...(headLevel === undefined ? {} : { headLevel }),
  }));
}

const resolvedOf = new WeakMap<Element, { figure: string; made: Element }>();

/** One element with one figure, the same object for as long as both stay. */
function remembered<E extends Element>(element: E, figure: string, make: () => E): E {
  const before = resolvedOf.get(element);
  if (before && before.figure === figure) return before.made as E;
  const made = make();
  resolvedOf.set(element, { figure, made });
  return made;
}

/** Lists made anew, the same array again while they hold the same elements. */
class List {
  private static lists: (readonly unknown[])[] = [];

  static of<T>(list: readonly T[]): readonly T[] {
    const same = this.lists.find((each) => each.length === list.length && each.every((item, k) => item === list[k]));
    if (same) return same as readonly T[];
    this.lists.unshift(list);
    if (this.lists.length > 24) this.lists.length = 24;
    return list;
  }
}

const gathered = stage(
  'catchments',
  (
    water: YardWater,
    inlets: readonly (Basin | Channel)[],
    covers: readonly Surface[],
    spokenFor: readonly Surface[],
    soil: Soil,
  ): readonly Surface[] => catchmentsOf(water, inlets, covers, spokenFor, soil),
);

/** Ground that runs to an inlet, as cells' middles; null where it gathers by what was typed, or there is no ground. */
export function catchmentCells(job: Job, inlet: string): { cells: Place[]; cell: number } | null {
  const water = yardWater(job);
  const inlets = gatheringInlets(job);
  const own = inlets.findIndex(({ id }) => id === inlet);
  if (!water || own === -1) return null;
  const cells: Place[] = [];
  meetsFirst(water, inlets).forEach((met, cell) => {
    if (met === own && water.flow.receiver[cell] !== -2) cells.push(placeOf(water.grid, cell));
  });
  return { cells, cell: water.grid.cell };
}
