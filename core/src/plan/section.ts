/** A line's long section in plan numbers: stations along it and every level there. Pure. */
import type { RunPlan, Solution } from './solution';

export interface SectionPoint {
  /** m from the head */
  station: number;
  ground: number;
  invert: number;
  crown: number;
  /** Water line, m: over the crown where the pipe is under pressure. */
  water: number;
  /** Top of the water inside the pipe, m. */
  wet: number;
  /** Highest crown that planned cover allows, m. */
  coverLimit: number;
}

export interface Section {
  /** Two for each stretch of straight ground: its upper and its lower end. */
  points: SectionPoint[];
  /** Every pipe by its two ends. */
  pipes: [SectionPoint, SectionPoint][];
  /** Every stretch that lies open, by its two ends: `crown` is its bank. */
  beds: [SectionPoint, SectionPoint][];
  /** Under the ground over every pipe, for how high its crown may lie. */
  limits: SectionPoint[][];
  /** Landing ids with their stations. */
  landings: { id: string; station: number }[];
  length: number;
  top: number;
  bottom: number;
}

/** Runs of the route from a landing down to where its water leaves. */
export function routeOf(plan: Solution, from: string): RunPlan[] {
  const leaving = new Map(Object.values(plan.runs).map((run) => [run.from, run]));
  const route: RunPlan[] = [];
  for (let run = leaving.get(from); run && route.length <= leaving.size; run = leaving.get(run.to)) route.push(run);
  return route;
}

/** A run at `along` m from its head, which stands at `station`: pipe and water straight between its ends, ground as it is there. */
function pointOf(run: RunPlan, along: number, station: number, ground: number, coverLimit: number): SectionPoint {
  const between = (up: number, down: number): number => up + ((down - up) * along) / run.length;
  const crown = between(run.crownUp, run.crownDown);
  const water = between(run.waterUp, run.waterDown);
  const invert = between(run.invertUp, run.invertDown);
  return { station: station + along, ground, invert, crown, water, wet: Math.min(water, crown), coverLimit };
}

/** Ground between a run's ends where it was levelled, by m along the run; none where it is straight as far as anybody knows. */
export type GroundOver = (run: string) => readonly { along: number; level: number }[];

export function sectionOf(plan: Solution, route: RunPlan[], groundOver: GroundOver = () => []): Section {
  const points: SectionPoint[] = [];
  const pipes: Section['pipes'] = [];
  const limits: Section['limits'] = [];
  const landings: Section['landings'] = route.length > 0 ? [{ id: route[0]!.from, station: 0 }] : [];
  let station = 0;
  for (const run of route) {
    const { length, groundUp, groundDown, coveredGround } = run;
    const cover = Math.max(plan.settings.cover, run.leastCover);
    const daylight = run.coverDown === null;
    const head = pointOf(run, 0, station, groundUp, groundUp - cover);
    const foot = pointOf(run, length, station, groundDown, daylight ? groundDown : groundDown - cover);
    const edge = length - run.comesOutOver;
    const at = pointOf(run, edge, station, coveredGround, coveredGround - cover);
    const levelled = groundOver(run.id).map(({ along, level }) => pointOf(run, along, station, level, level - cover));
    // Where the ground begins to drop one straight stretch of it ends, and the next begins.
    const breaks = levelled.length > 0 ? levelled : daylight && edge > 0 && edge < length ? [at] : [];
    points.push(head, ...breaks.flatMap((each) => [each, each]), foot);
    pipes.push([head, foot]);
    limits.push([head, ...levelled, foot]);
    station += length;
    landings.push({ id: run.to, station });
  }
  const tops = points.map((point) => Math.max(point.ground, point.crown, point.water));
  const bottoms = points.map((point) => Math.min(point.invert, point.ground));
  return {
    points,
    pipes,
    beds: [],
    limits,
    landings,
    length: station,
    top: Math.max(...tops),
    bottom: Math.min(...bottoms),
  };
}

/** Levels at a station, straight between the ends of its run; null outside the section. */
export function sectionAt(section: Section, station: number): SectionPoint | null {
  for (let k = 0; k + 1 < section.points.length; k += 2) {
    const a = section.points[k]!;
    const b = section.points[k + 1]!;
    if (station < a.station || station > b.station) continue;
    const share = (station - a.station) / (b.station - a.station);
    const between = (key: keyof SectionPoint): number => a[key] + (b[key] - a[key]) * share;
    return {
      station,
      ground: between('ground'),
      invert: between('invert'),
      crown: between('crown'),
      water: between('water'),
      wet: between('wet'),
      coverLimit: between('coverLimit'),
    };
  }
  return null;
}
