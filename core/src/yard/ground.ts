/** The ground of a job: its levels and edges as one surface. */
import { HARD_COVERS } from '../catalogue/surfaces';
import { Surface, type GroundPoint } from '../ground/surface';
import type { RaisedGround } from '../job/buildWays';
import { headOf, keptOf, ofKind, type Job } from '../job/job';
import type { Breakline, SpotLevel, Surface as Patch } from '../job/kinds';
import { step } from '../numeric/kept';
import { distanceTo, isWithin, wayLength, type Place } from '../site/place';
import { levelsOf, type Levels } from './levels';

export interface Ground {
  /** Null where levels make no triangle. */
  surface: Surface | null;
  /** Levels that stand on the plan. */
  points: readonly (GroundPoint & { id: string })[];
}

/** Levels of a hard surface that lie in one plane to this are a slab, m: as near as it can be laid and read. */
const SLAB_FLAT = 0.015;
/** A level this near to a slab's edge is on it, m. */
const ON_SLAB = 0.05;

const placed = step(
  'placed levels',
  ({ levels, spots }: { levels: Levels; spots: readonly SpotLevel[] }): Ground['points'] =>
    spots.flatMap(({ id, place }) => {
      const level = levels.byId.get(id);
      return place && level !== undefined ? [{ id, ...place, level }] : [];
    }),
);

/** Levels of a job that stand on its plan. */
export const placedLevels = (job: Job): Ground['points'] =>
  keptOf(job).ask(placed, { levels: levelsOf(job), spots: ofKind(job, 'spotLevel') });

interface Read {
  points: Ground['points'];
  breaklines: readonly Breakline[];
  patches: readonly Patch[];
  /** Ground that is raised, none where nobody has said so. */
  raised: readonly RaisedGround[] | undefined;
}

/** A place of the ground as it will lie: what lies lower where ground is raised comes up to its level. */
function graded<P extends GroundPoint>(point: P, raised: Read['raised'] = []): P {
  let { level } = point;
  for (const { outline, level: to } of raised)
    if (outline && to !== undefined && to > level && isWithin(outline, point)) level = to;
  return level === point.level ? point : { ...point, level };
}

const ground = step('ground', ({ points: read, breaklines, patches, raised }: Read): Ground => {
  const points = read.map((point) => graded(point, raised));
  const edges = breaklines.flatMap((each) => levelled(each).map((edge) => edge.map((point) => graded(point, raised))));
  const slabs = patches.flatMap((patch) => slabEdge(patch, points) ?? []);
  return { surface: Surface.of(points, [...edges, ...slabs]), points };
});

/** Ground of a job as it is levelled, and raised where the job raises it. */
export const groundOf = (job: Job): Ground =>
  keptOf(job).ask(ground, {
    points: placedLevels(job),
    breaklines: ofKind(job, 'breakline'),
    patches: ofKind(job, 'surface'),
    raised: headOf(job).ways?.raised,
  });

/** A breakline's places with levels: those between two levelled ones by their share of the way; beyond the last one none. */
function levelled({ way = [], levels = [] }: Breakline): GroundPoint[][] {
  const known = way.flatMap((_, k) => (levels[k] === null || levels[k] === undefined ? [] : [k]));
  const first = known[0];
  const last = known.at(-1);
  if (first === undefined || last === undefined || first === last) return [];
  const points: GroundPoint[] = [];
  for (let k = first; k <= last; k++) {
    const before = known.findLast((each) => each <= k)!;
    const after = known.find((each) => each >= k)!;
    const [low, high] = [levels[before]!, levels[after]!];
    const whole = wayLength(way.slice(before, after + 1));
    const share = whole > 0 ? wayLength(way.slice(before, k + 1)) / whole : 0;
    points.push({ ...way[k]!, level: low + share * (high - low) });
  }
  return [points];
}

/** Edge of a hard surface as a plane, where three levels or more on it say so; null where they do not. */
function slabEdge({ cover, outline }: Patch, points: readonly GroundPoint[]): GroundPoint[][] | null {
  if (!outline || !HARD_COVERS.has(cover)) return null;
  const on = points.filter((point) => distanceTo(outline, point) <= ON_SLAB);
  const plane = planeThrough(on);
  if (!plane || on.some((point) => Math.abs(plane(point) - point.level) > SLAB_FLAT)) return null;
  return [[...outline, outline[0]!].map((corner) => ({ ...corner, level: plane(corner) }))];
}

/** The plane nearest to some levels by least squares; null where they lie in a line or are fewer than three. */
function planeThrough(points: readonly GroundPoint[]): ((place: Place) => number) | null {
  if (points.length < 3) return null;
  const mean = (of: (point: GroundPoint) => number): number =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [east, north, level] = [mean((p) => p.east), mean((p) => p.north), mean((p) => p.level)];
  let [ee, en, nn, el, nl] = [0, 0, 0, 0, 0];
  for (const point of points) {
    const [e, n, l] = [point.east - east, point.north - north, point.level - level];
    ee += e * e;
    en += e * n;
    nn += n * n;
    el += e * l;
    nl += n * l;
  }
  const whole = ee * nn - en * en;
  // Spread across the line of most spread less than a hundredth of that along it: as good as in a line.
  if (whole < 1e-4 * (ee + nn) ** 2) return null;
  const [a, b] = [(el * nn - nl * en) / whole, (nl * ee - el * en) / whole];
  return (place) => level + a * (place.east - east) + b * (place.north - north);
}
