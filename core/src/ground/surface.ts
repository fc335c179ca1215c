/** Ground between levels: a triangulated surface that keeps its breaklines, linear in each triangle. */
import Constrainautor from './constrain.mjs';
import Delaunator from 'delaunator';
import { crossing, footOn, type Place } from '../site/place';

export interface GroundPoint extends Place {
  /** m above the job's zero. */
  level: number;
}

/** Two places nearer than this are one, m: nobody sets a rod down more exactly. */
const ONE_PLACE = 0.002;
/** How far beyond a triangle's edge a place still counts as in it, as a share of the triangle. */
const ON_EDGE = 1e-9;

/** Three corners an entry, clockwise as one looks down on them, by index into the points. */
type Triangles = Uint32Array;

export class Surface {
  readonly points: readonly GroundPoint[];
  readonly triangles: Triangles;
  /** The half-edge that lies against each, −1 on the hull (stride 3, as `triangles`). */
  readonly beside: Int32Array;
  /** Breaklines as they lie in the surface, two points an entry. */
  readonly edges: readonly (readonly [number, number])[];
  private last = 0;

  private constructor(
    points: readonly GroundPoint[],
    triangles: Triangles,
    beside: Int32Array,
    edges: readonly (readonly [number, number])[],
  ) {
    this.points = points;
    this.triangles = triangles;
    this.beside = beside;
    this.edges = edges;
  }

  /**
   * The surface of some levels; null where they make no triangle: fewer than three, or all in a line. Each breakline is a way of places
   * with levels. Where two cross, the ground is held at the first one's level there; places that are one take the mean of their levels.
   */
  static of(levels: readonly GroundPoint[], breaklines: readonly (readonly GroundPoint[])[] = []): Surface | null {
    const plain = new Points();
    for (const point of levels) plain.index(point);
    const edges = splitAtMeetings(plain, breaklines);
    const points = plain.all();
    if (points.length < 3) return null;
    const flat = new Float64Array(2 * points.length);
    // About the first point, so that far coordinates lose no digits.
    const origin = points[0]!;
    points.forEach((point, k) => {
      flat[2 * k] = point.east - origin.east;
      flat[2 * k + 1] = point.north - origin.north;
    });
    const mesh = new Delaunator(flat);
    if (mesh.triangles.length === 0) return null;
    if (edges.length > 0) {
      const constrained = new Constrainautor(mesh);
      for (const [a, b] of edges) constrained.constrainOne(a, b);
      constrained.delaunify(true);
    }
    return new Surface(points, mesh.triangles, mesh.halfedges, edges);
  }

  get size(): number {
    return this.triangles.length / 3;
  }

  /** Ground at a place, m above zero; null outside of what was levelled. */
  levelAt(place: Place): number | null {
    const at = this.triangleAt(place);
    if (at === -1) return null;
    const [a, b, c] = this.corners(at);
    const [u, v, w] = weights(a, b, c, place);
    return u * a.level + v * b.level + w * c.level;
  }

  corners(triangle: number): [GroundPoint, GroundPoint, GroundPoint] {
    const { points, triangles } = this;
    return [
      points[triangles[3 * triangle]!]!,
      points[triangles[3 * triangle + 1]!]!,
      points[triangles[3 * triangle + 2]!]!,
    ];
  }

  /** Slope of a triangle, m of rise per m east and per m north. */
  slopeOf(triangle: number): { east: number; north: number } {
    const [a, b, c] = this.corners(triangle);
    const twice = (b.east - a.east) * (c.north - a.north) - (c.east - a.east) * (b.north - a.north);
    const [ab, ac] = [b.level - a.level, c.level - a.level];
    return {
      east: (ab * (c.north - a.north) - ac * (b.north - a.north)) / twice,
      north: (ac * (b.east - a.east) - ab * (c.east - a.east)) / twice,
    };
  }

  /** The triangle that a place lies in, by walking there from the last one asked for; −1 outside. */
  triangleAt(place: Place): number {
    const { beside } = this;
    let at = this.last;
    for (let steps = this.size + 3; steps > 0; steps--) {
      const outside = outsideOf(...this.corners(at), place);
      if (outside === -1) {
        this.last = at;
        return at;
      }
      const over = beside[3 * at + outside]!;
      // The hull is convex, so one side of it that a place is beyond is enough.
      if (over === -1) return this.searched(place);
      at = Math.floor(over / 3);
    }
    return this.searched(place);
  }

  /** Every triangle in turn: for places on the hull, where rounding can lead a walk out, and for walks that breaklines send round. */
  private searched(place: Place): number {
    for (let at = 0; at < this.size; at++) {
      const [a, b, c] = this.corners(at);
      if (weights(a, b, c, place).every((share) => share >= -ON_EDGE)) return at;
    }
    return -1;
  }
}

/** Shares of three corners at a place, which add up to 1. */
function weights(a: Place, b: Place, c: Place, place: Place): [number, number, number] {
  const twice = (b.east - a.east) * (c.north - a.north) - (c.east - a.east) * (b.north - a.north);
  const v = ((place.east - a.east) * (c.north - a.north) - (c.east - a.east) * (place.north - a.north)) / twice;
  const w = ((b.east - a.east) * (place.north - a.north) - (place.east - a.east) * (b.north - a.north)) / twice;
  return [1 - v - w, v, w];
}

/** The side of a triangle that a place lies furthest beyond, 0 from the first corner to the second and so on; −1 within. */
function outsideOf(a: Place, b: Place, c: Place, place: Place): number {
  const [u, v, w] = weights(a, b, c, place);
  if (u >= -ON_EDGE && v >= -ON_EDGE && w >= -ON_EDGE) return -1;
  // Opposite of the first corner lies the second side, and so round.
  if (u <= v && u <= w) return 1;
  return v <= w ? 2 : 0;
}

/** Points by place: those that are one are kept once. */
class Points {
  private readonly kept: { point: GroundPoint; sum: number; count: number }[] = [];
  private readonly byCell = new Map<string, number[]>();

  /** Index of a point, put in where there is none yet at its place. */
  index(point: GroundPoint): number {
    const known = this.near(point);
    if (known !== -1) {
      const one = this.kept[known]!;
      one.sum += point.level;
      one.count++;
      return known;
    }
    this.kept.push({ point, sum: point.level, count: 1 });
    const cell = this.cell(point.east, point.north);
    const there = this.byCell.get(cell);
    if (there) there.push(this.kept.length - 1);
    else this.byCell.set(cell, [this.kept.length - 1]);
    return this.kept.length - 1;
  }

  /** As `index`, but a point that is there keeps its level. */
  indexAt(place: Place, level: number): number {
    const known = this.near(place);
    return known !== -1 ? known : this.index({ ...place, level });
  }

  levelOf(index: number): number {
    const { sum, count } = this.kept[index]!;
    return sum / count;
  }

  all(): GroundPoint[] {
    return this.kept.map(({ point, sum, count }) => (count === 1 ? point : { ...point, level: sum / count }));
  }

  placeOf = (index: number): GroundPoint => this.kept[index]!.point;

  /** Indices of points within a stretch's extent, which may lie on it. */
  near(place: Place): number {
    const [east, north] = [Math.round(place.east / ONE_PLACE), Math.round(place.north / ONE_PLACE)];
    for (let e = east - 1; e <= east + 1; e++) {
      for (let n = north - 1; n <= north + 1; n++) {
        for (const k of this.byCell.get(`${e} ${n}`) ?? []) {
          const { point } = this.kept[k]!;
          if (Math.hypot(point.east - place.east, point.north - place.north) <= ONE_PLACE) return k;
        }
      }
    }
    return -1;
  }

  private cell(east: number, north: number): string {
    return `${Math.round(east / ONE_PLACE)} ${Math.round(north / ONE_PLACE)}`;
  }

  get size(): number {
    return this.kept.length;
  }
}

/** Breaklines as edges between points, cut wherever another breakline or a point lies on them, as a triangulation needs. */
function splitAtMeetings(points: Points, breaklines: readonly (readonly GroundPoint[])[]): [number, number][] {
  const stretches: [number, number][] = [];
  for (const line of breaklines) {
    for (let k = 1; k < line.length; k++) {
      const [a, b] = [points.index(line[k - 1]!), points.index(line[k]!)];
      if (a !== b) stretches.push([a, b]);
    }
  }
  if (stretches.length === 0) return [];
  // Points put in at crossings lie on both; a stretch gathers what lies on it, in order.
  const onto: { share: number; index: number }[][] = stretches.map(() => []);
  for (let i = 0; i < stretches.length; i++) {
    const [a, b] = stretches[i]!.map(points.placeOf) as [GroundPoint, GroundPoint];
    for (let j = i + 1; j < stretches.length; j++) {
      const [c, d] = stretches[j]!.map(points.placeOf) as [GroundPoint, GroundPoint];
      const met = crossing(a, b, c, d);
      if (!met) continue;
      const level = points.levelOf(stretches[i]![0]) * (1 - met.first) + points.levelOf(stretches[i]![1]) * met.first;
      const index = points.indexAt(met.place, level);
      onto[i]!.push({ share: met.first, index });
      onto[j]!.push({ share: met.second, index });
    }
  }
  const edges = new Map<string, [number, number]>();
  stretches.forEach(([from, to], i) => {
    const [a, b] = [points.placeOf(from), points.placeOf(to)];
    for (let k = 0; k < points.size; k++) {
      if (k === from || k === to) continue;
      const foot = footOn(a, b, points.placeOf(k));
      if (foot.distance <= ONE_PLACE && foot.share > 0 && foot.share < 1)
        onto[i]!.push({ share: foot.share, index: k });
    }
    const along = [from, ...onto[i]!.sort((one, other) => one.share - other.share).map(({ index }) => index), to];
    for (let k = 1; k < along.length; k++) {
      const [p, q] = [along[k - 1]!, along[k]!];
      if (p !== q) edges.set(p < q ? `${p} ${q}` : `${q} ${p}`, [p, q]);
    }
  });
  return [...edges.values()];
}
