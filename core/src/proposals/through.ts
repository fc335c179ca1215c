/** What a proposed line would cost more through any other place, how it would fall there, and what bars it; and the plan with it moved. */
import { changed } from '../job/change';
import { cellAt } from '../ground/grid';
import { runAlong } from '../job/edits/insert';
import { landingsOf, ofKind, type Job } from '../job/job';
import { isLaid, type Element, type Run } from '../job/kinds';
import { placeAlong, placeOfLanding, wayOfRun } from '../job/places';
import { FIRST, spread } from '../layout/cheapest';
import { stepsOf, type Steps } from '../layout/costGrid';
import { standingOf } from '../schools/difference';
import { distance, footOnWay, wayLength, type Place } from '../site/place';
import { planJob } from '../verdict/planJob';
import { crossingsOf } from '../yard/crossings';
import { groundOf } from '../yard/ground';
import { barAt, type Bar } from './bars';
import type { End, NotHere } from './ends';
import { isBarred, priceAlong, straightened } from './lines';
import type { Laid } from './proposals';
import { cellOf, trenchGrid, type TrenchGrid } from './trenchGrid';

/** The line, or the fitting with all its lines, that is moved, where it is moved to, and how lines go then. */
export interface Moved {
  id: string;
  place: Place;
  ways: readonly { run: string; way: readonly Place[] }[];
}

/** Lines by another way. */
export interface Through extends Moved {
  /** About how much more is asked for it, least units, and how much longer it is, m; less than 0 for less. */
  more: number;
  longer: number;
  /** Least pitch of the lines on it, m/m, and what lies over them at the place, m, while their far ends stay as deep as they are; null where no level is known. */
  pitch: number | null;
  cover: number | null;
  /** What they meet that they did not before, by id. */
  meets: readonly string[];
}

/** Something that can be moved, where a finger takes hold of it, and how near that is, m. */
export interface Grip {
  id: string;
  at: Place;
  away: number;
}

/** So much longer, m, a line is taken to see what its length costs: more than a stick of pipe, so that whole sticks even out. */
const LONGER = 6;
/** Nearer than so two places are one, m. */
const SAME = 0.01;
/** A fitting is meant before the lines that meet in it, so far round it, m. */
const ROUND_MARK = 0.6;

interface WayOf {
  run: Run;
  way: readonly Place[];
}

export class Moving {
  private readonly ground: TrenchGrid;
  private readonly steps: Steps;
  private readonly runs: readonly WayOf[];
  private readonly marks: readonly { id: string; place: Place }[];
  /** By line what is asked more for a unit of what its trench costs on the grid. */
  private readonly asked = new Map<string, number>();

  /** `given`: the job that the plan was laid out for; null where nothing of it is drawn. */
  static of(laid: Laid, given: Job, notHere: readonly NotHere[]): Moving | null {
    const ground = trenchGrid(laid.job, notHere);
    return ground && new Moving(laid, given, notHere, ground);
  }

  private constructor(
    private readonly laid: Laid,
    given: Job,
    private readonly notHere: readonly NotHere[],
    ground: TrenchGrid,
  ) {
    const { job } = laid;
    this.ground = ground;
    this.steps = stepsOf(ground);
    this.runs = ofKind(job, 'run').flatMap((run) => {
      const way = isLaid(run) && !given.elements.has(run.id) ? wayOfRun(job, run) : null;
      return way ? [{ run, way }] : [];
    });
    const met = new Set(this.runs.flatMap(({ run }) => [run.from, run.to]));
    this.marks = landingsOf(job).flatMap((landing) => {
      const canMove = landing.kind === 'junction' || landing.kind === 'basin';
      const place = canMove && met.has(landing.id) && !given.elements.has(landing.id) ? placeOfLanding(landing) : null;
      return place ? [{ id: landing.id, place }] : [];
    });
  }

  /** By what the same plan with one line longer would be dearer: its depth, size, parts, hauling and markups go with it. */
  private askedPerCost({ run, way }: WayOf): number {
    const known = this.asked.get(run.id);
    if (known !== undefined) return known;
    const { job, plan, standing } = this.laid;
    const { lengthFrom: _plan, ...typed } = run;
    const longer = changed(job, { puts: [{ ...typed, length: run.length + LONGER }], removes: [] });
    const more = standingOf(longer, planJob(longer, plan)).asked - standing.asked;
    const cost = (priceAlong(this.ground, way) / wayLength(way)) * LONGER;
    const asked = cost > 0 && more > 0 ? more / cost : 1;
    this.asked.set(run.id, asked);
    return asked;
  }

  /** What is nearest to a place and can be moved; null where nothing is new. */
  nearest(place: Place): Grip | null {
    const lines = this.runs.flatMap(({ run, way }): Grip[] => {
      const foot = footOnWay(way, place);
      return foot ? [{ id: run.id, at: foot.place, away: foot.distance }] : [];
    });
    const marks = this.marks.map(({ id, place: at }): Grip => ({
      id,
      at,
      away: Math.max(0, distance(at, place) - ROUND_MARK),
    }));
    return [...marks, ...lines].sort((a, b) => a.away - b.away)[0] ?? null;
  }

  /** Lines through a place: of what is held, or of the one line that this costs least; or what bars it. */
  through(place: Place, held?: string): Through | Bar {
    const at = cellAt(this.ground.grid, place);
    if (at < 0) return { what: 'outside' };
    if (this.ground.costs[at] === Infinity) return barAt(this.laid.job, this.notHere, place);
    const cost = new Float64Array(this.ground.costs.length).fill(Infinity);
    const before = new Int32Array(cost.length).fill(FIRST);
    cost[at] = 0;
    spread(this.steps, cost, before);
    /** From a landing's place to the one that is asked about. */
    const wayTo = (end: Place): Place[] | null => {
      const cell = cellOf(this.ground, end);
      if (cell === null || cost[cell] === Infinity) return null;
      const cells = [cell];
      for (let on = before[cell]!; on !== FIRST; on = before[on]!) cells.push(on);
      return [end, ...straightened(this.ground, cells).slice(1, -1), place];
    };
    const mark = this.marks.find(({ id }) => id === held);
    if (mark) return this.markAt(mark.id, place, wayTo) ?? { what: 'cutOff' };
    const found = this.runs.flatMap(({ run, way }) => {
      if (held !== undefined && run.id !== held) return [];
      const [up, down] = [wayTo(way[0]!), wayTo(way.at(-1)!)];
      if (!up || !down) return [];
      const then = { run, way: [...up, ...down.reverse().slice(1)] };
      return [{ then, more: this.more([then]) }];
    });
    const [least] = found.sort((a, b) => a.more - b.more);
    return least ? this.told(least.then.run.id, place, [least.then]) : { what: 'cutOff' };
  }

  /** A fitting moved to a place, with all lines that meet in it. */
  private markAt(id: string, place: Place, wayTo: (end: Place) => Place[] | null): Through | null {
    const ways: WayOf[] = [];
    for (const { run, way } of this.runs) {
      if (run.from !== id && run.to !== id) continue;
      const other = wayTo(run.to === id ? way[0]! : way.at(-1)!);
      if (!other) return null;
      ways.push({ run, way: run.to === id ? other : other.reverse() });
    }
    return this.told(id, place, ways);
  }

  /** A line drawn straight from end to end; null where something bars that, or it is straight. */
  straight(id: string): Through | null {
    const found = this.runs.find(({ run }) => run.id === id);
    if (!found || found.way.length < 3) return null;
    const way = [found.way[0]!, found.way.at(-1)!];
    return isBarred(this.ground, way)
      ? null
      : this.told(id, placeAlong(way, wayLength(way) / 2), [{ run: found.run, way }]);
  }

  /** Whether lines that were moved before can be moved so again: each is still there, and ends where it did. */
  fits({ id, place, ways }: Moved): boolean {
    return ways.every(({ run, way }) => {
      const now = this.runs.find((each) => each.run.id === run);
      if (!now || way.length < 2) return false;
      const ends = [now.way[0]!, now.way.at(-1)!];
      return [way[0]!, way.at(-1)!].every(
        (end, k) => distance(end, ends[k]!) < SAME || (id !== run && distance(end, place) < SAME),
      );
    });
  }

  /** What was to be led off that comes through a line, by the id that it was asked for by. */
  ledBy(id: string, ends: readonly End[]): string[] {
    const { job } = this.laid;
    const runs = ofKind(job, 'run').filter(isLaid);
    const held = runs.find((run) => run.id === id);
    const found = new Set(held ? [held.from] : [id]);
    // A set goes on to what is added to it meanwhile.
    for (const at of found) for (const { from, to } of runs) if (to === at) found.add(from);
    // What is new has an id of its own in the plan, and its place.
    const places = landingsOf(job).flatMap((landing) =>
      found.has(landing.id) ? [placeOfLanding(landing) ?? []].flat() : [],
    );
    return ends.flatMap((end) =>
      found.has(end.id) || places.some((place) => distance(place, end.place) < SAME) ? [end.id] : [],
    );
  }

  /** What a plan is made of with its lines by another way. */
  moved({ id, place, ways }: Moved): Element[] {
    const { job } = this.laid;
    const wayOf = new Map(ways.map(({ run, way }) => [run, way]));
    const level = groundOf(job).surface?.levelAt(place) ?? null;
    return job.elements.all.map((element): Element => {
      const way = wayOf.get(element.id);
      if (way && element.kind === 'run') {
        const { bends: _old, ...rest } = element;
        return runAlong({ ...rest, length: Math.max(0.1, wayLength(way)) }, way);
      }
      if (element.id !== id || (element.kind !== 'junction' && element.kind !== 'basin')) return element;
      return { ...element, place, ...(level === null ? {} : { groundLevel: level }) };
    });
  }

  private wasWay = ({ run }: WayOf): readonly Place[] => this.runs.find((each) => each.run === run)!.way;

  /** About how much more is asked for some lines by other ways, least units. */
  private more(ways: readonly WayOf[]): number {
    return ways.reduce((sum, each) => {
      const was = this.wasWay(each);
      const cost = priceAlong(this.ground, each.way) - priceAlong(this.ground, was);
      return sum + this.askedPerCost({ run: each.run, way: was }) * cost;
    }, 0);
  }

  private told(id: string, place: Place, ways: readonly WayOf[]): Through {
    const met = (some: readonly (readonly Place[])[]): string[] =>
      some.flatMap((way) => crossingsOf(this.laid.job, way).map((each) => each.id));
    const before = new Set(met(ways.map(this.wasWay)));
    return {
      id,
      place,
      ways: ways.map(({ run, way }) => ({ run: run.id, way })),
      more: Math.round(this.more(ways)),
      longer: ways.reduce((sum, each) => sum + wayLength(each.way) - wayLength(this.wasWay(each)), 0),
      ...this.lies(id, place, ways),
      meets: [...new Set(met(ways.map(({ way }) => way)))].filter((each) => !before.has(each)),
    };
  }

  /** How lines on other ways would lie between the inverts that their far ends have. */
  private lies(id: string, place: Place, ways: readonly WayOf[]): Pick<Through, 'pitch' | 'cover'> {
    const { runs } = this.laid.plan;
    const { surface } = groundOf(this.laid.job);
    const leaves = ways.find(({ run }) => run.from === id);
    const on = leaves && ways.length > 1 ? leaves : null;
    const ground = surface?.levelAt(place) ?? null;
    let [pitch, cover] = [Infinity, Infinity];
    for (const { run, way } of ways) {
      if (run === on?.run) continue;
      // What comes into a fitting falls on to the end of what leaves it.
      const whole = on ? [...way, ...on.way.slice(1)] : way;
      const [up, down] = [runs[run.id]?.invertUp, runs[on?.run.id ?? run.id]?.invertDown];
      const length = wayLength(whole);
      if (up === undefined || down === undefined || length === 0) return { pitch: null, cover: null };
      pitch = Math.min(pitch, (up - down) / length);
      const along = footOnWay(whole, place)!.along;
      const crown = up - ((up - down) * along) / length + runs[run.id]!.diameter;
      if (ground !== null) cover = Math.min(cover, ground - crown);
    }
    return { pitch: pitch === Infinity ? null : pitch, cover: cover === Infinity ? null : cover };
  }
}
