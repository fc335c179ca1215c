/** The ground of a job as geometry for a picture, to any sink: contours, ponds, arrows, the ways that water takes, what an inlet gathers. */
import { contoursOf, contourStep, type Contour } from '../ground/contours';
import { placeOf } from '../ground/grid';
import type { Pond } from '../ground/ponds';
import { Shores } from '../ground/shore';
import { headOf, type Job, keeping } from '../job/job';
import type { ElementKind } from '../job/kinds';
import { placesOf } from '../job/places';
import { distance, type Place } from '../site/place';
import { groundOf } from './ground';
import { catchmentCells } from './situate';
import { flowPath, yardWater, type YardWater } from './water';

export interface GroundPicture {
  contours: readonly Contour[];
  /** Largest first: each with the pieces of its face, which meet, the middles of its cells, and the deepest of them. */
  ponds: readonly { pond: Pond; pieces: readonly (readonly Place[])[]; cells: readonly Place[]; middle: Place }[];
  /** Down the slope, from where to where; none in a pond or on the flat. */
  arrows: readonly (readonly [Place, Place])[];
  /** Way of the water from what is chosen; none where it is no place that water comes from. */
  ways: readonly (readonly Place[])[];
  /** Ground that a chosen inlet gathers, as cells. */
  catchment: { cells: readonly Place[]; cell: number } | null;
}

/** Arrows across the yard. */
const ARROWS = 9;
/** Ponds drawn. */
const MOST_PONDS = 12;
/** Water goes on from these. */
const FOLLOWED = new Set<ElementKind>(['downspout', 'fixedFlow', 'wetSpot', 'spotLevel', 'basin']);

/** The ground of a job as it is drawn, with what comes to the thing that is chosen; null while levels make none. */
export function groundPicture(given: Job, chosen: string | null): GroundPicture | null {
  const job = keeping(given);
  const { surface } = groundOf(job);
  const water = yardWater(job);
  if (!surface || !water) return null;
  let [low, high] = [Infinity, -Infinity];
  for (const { level } of surface.points) [low, high] = [Math.min(low, level), Math.max(high, level)];
  const { grid, ponds } = water;
  const shores = new Shores(grid);
  const element = chosen === null ? undefined : job.elements.get(chosen);
  const place = element && FOLLOWED.has(element.kind) ? placesOf(element).at(-1) : undefined;
  return {
    contours: contoursOf(surface, contourStep(high - low, headOf(job).units === 'metric')),
    ponds: ponds.slice(0, MOST_PONDS).map((pond) => ({
      pond,
      cells: pond.cells.map((cell) => placeOf(grid, cell)),
      pieces: shores.piecesOf(pond),
      middle: placeOf(grid, pond.deepest),
    })),
    arrows: arrowsOver(water),
    ways: place ? [flowPath(water, place)].filter((way) => way.length > 1) : [],
    catchment:
      element && (element.kind === 'basin' || element.kind === 'channel') ? catchmentCells(job, element.id) : null,
  };
}

function arrowsOver({ grid, flow }: YardWater): [Place, Place][] {
  const arrows: [Place, Place][] = [];
  const every = Math.max(2, Math.round(Math.max(grid.cols, grid.rows) / ARROWS));
  for (let row = every >> 1; row < grid.rows; row += every) {
    for (let col = every >> 1; col < grid.cols; col += every) {
      const cell = row * grid.cols + col;
      const to = flow.receiver[cell]!;
      if (to < 0 || flow.filled[cell]! > grid.levels[cell]! || flow.filled[cell]! - flow.filled[to]! < 1e-6) continue;
      const from = placeOf(grid, cell);
      const next = placeOf(grid, to);
      const reach = (every * 0.4 * grid.cell) / (distance(from, next) || 1);
      arrows.push([
        from,
        { east: from.east + (next.east - from.east) * reach, north: from.north + (next.north - from.north) * reach },
      ]);
    }
  }
  return arrows;
}
