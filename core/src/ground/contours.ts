/** Lines of one level over a triangulated surface: straight in each triangle, joined into ways. */
import { distance, type Place } from '../site/place';
import type { Surface } from './surface';

export interface Contour {
  /** m above zero. */
  level: number;
  ways: Place[][];
  /** Over ground between levels that stand far apart: nobody has measured how it runs there. */
  guessed: Place[][];
}

/** Levels stand far apart where they are so many times as far from one another as most of the job's are, and no nearer than so many m. */
const FAR = { times: 2, least: 6 };

/** Length of a triangle's longest side, m. */
const longestSide = (surface: Surface, triangle: number): number => {
  const [a, b, c] = surface.corners(triangle);
  return Math.max(distance(a, b), distance(b, c), distance(c, a));
};

/** From how far apart levels no longer say how the ground runs between them, m. */
export function guessedFrom(surface: Surface): number {
  const sides = Float64Array.from({ length: surface.size }, (_, triangle) => longestSide(surface, triangle)).sort();
  return Math.max(FAR.least, FAR.times * (sides[sides.length >> 1] ?? 0));
}

/** The steps that contours are drawn at, m: about a dozen over a yard's rise. */
export function contourStep(rise: number, metric: boolean): number {
  const steps = metric
    ? [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10]
    : [0.0762, 0.1524, 0.3048, 0.6096, 1.524, 3.048, 6.096];
  return steps.find((step) => rise / step <= 14) ?? steps.at(-1)!;
}

/** Whether anything of a surface lies between levels that stand so far apart, m. */
export function isGuessed(surface: Surface, far = guessedFrom(surface)): boolean {
  for (let triangle = 0; triangle < surface.size; triangle++) if (longestSide(surface, triangle) > far) return true;
  return false;
}

/** Contours at every multiple of a step, m, lowest first. Levels that fall just on a point are drawn as just below it. */
export function contoursOf(surface: Surface, step: number): Contour[] {
  const pieces = new Map<number, { measured: Piece[]; guessed: Piece[] }>();
  const far = guessedFrom(surface);
  for (let triangle = 0; triangle < surface.size; triangle++) {
    const isGuessed = longestSide(surface, triangle) > far;
    const levels = surface.corners(triangle).map(({ level }) => level);
    const [low, high] = [Math.min(...levels), Math.max(...levels)];
    for (let k = Math.floor(low / step) + 1; k * step <= high; k++) {
      const piece = crossed(surface, triangle, k * step);
      if (!piece) continue;
      const alike = pieces.get(k) ?? { measured: [], guessed: [] };
      alike[isGuessed ? 'guessed' : 'measured'].push(piece);
      pieces.set(k, alike);
    }
  }
  return [...pieces]
    .sort(([a], [b]) => a - b)
    .map(([k, { measured, guessed }]) => ({ level: k * step, ways: joined(measured), guessed: joined(guessed) }));
}

/** A contour's way through one triangle, and the two edges that it passes by their keys. */
interface Piece {
  from: Place;
  to: Place;
  enters: number;
  leaves: number;
}

function crossed(surface: Surface, triangle: number, level: number): Piece | null {
  const { points, triangles } = surface;
  const meets: { place: Place; edge: number }[] = [];
  for (let side = 0; side < 3; side++) {
    const a = triangles[3 * triangle + side]!;
    const b = triangles[3 * triangle + ((side + 1) % 3)]!;
    const [low, high] = [points[a]!, points[b]!];
    // A point on the level counts as above it: each contour passes two sides of a triangle or none.
    if (low.level >= level === high.level >= level) continue;
    const share = (level - low.level) / (high.level - low.level);
    const place = {
      east: low.east + share * (high.east - low.east),
      north: low.north + share * (high.north - low.north),
    };
    meets.push({ place, edge: a < b ? a * points.length + b : b * points.length + a });
  }
  if (meets.length !== 2) return null;
  const [from, to] = meets as [(typeof meets)[number], (typeof meets)[number]];
  return { from: from.place, to: to.place, enters: from.edge, leaves: to.edge };
}

/** Pieces joined where they pass the same edge. */
function joined(pieces: readonly Piece[]): Place[][] {
  const atEdge = new Map<number, Piece[]>();
  for (const piece of pieces) {
    for (const edge of [piece.enters, piece.leaves]) {
      const there = atEdge.get(edge);
      if (there) there.push(piece);
      else atEdge.set(edge, [piece]);
    }
  }
  const used = new Set<Piece>();
  /** Follows on from an edge till the line ends or comes round. */
  const follow = (start: Piece, over: number): Place[] => {
    const way: Place[] = [];
    let edge = over;
    for (let piece: Piece | undefined = start; piece;) {
      const on: Piece | undefined = atEdge.get(edge)!.find((each) => !used.has(each));
      if (!on) break;
      used.add(on);
      const forward = on.enters === edge;
      way.push(forward ? on.to : on.from);
      edge = forward ? on.leaves : on.enters;
      piece = on;
    }
    return way;
  };
  const ways: Place[][] = [];
  for (const piece of pieces) {
    if (used.has(piece)) continue;
    used.add(piece);
    const on = follow(piece, piece.leaves);
    const back = follow(piece, piece.enters);
    ways.push([...back.reverse(), piece.from, piece.to, ...on]);
  }
  return ways;
}
