/** What of the ground is drawn: contours, ponds, arrows, and what comes to the thing that is chosen. */
import {
  catchmentCells,
  contoursOf,
  contourStep,
  flowPath,
  groundOf,
  headOf,
  placeOfCell,
  placesOf,
  pondWords,
  showLevel,
  text,
  yardWater,
  type Job,
  type Place,
} from '@katabasis/core';
import type { GroundOnPlan } from '../../drawing/yard/drawn';

/** Arrows across the yard. */
const ARROWS = 9;

/** The ground of a job as it is drawn; null while levels make none. */
export function groundOnPlan(job: Job, chosen: string | null): GroundOnPlan | null {
  const { surface } = groundOf(job);
  const water = yardWater(job);
  if (!surface || !water) return null;
  const { units } = headOf(job);
  const levels = surface.points.map(({ level }) => level);
  const step = contourStep(Math.max(...levels) - Math.min(...levels), units === 'metric');
  const { grid, flow } = water;
  const arrows: [Place, Place][] = [];
  const every = Math.max(2, Math.round(Math.max(grid.cols, grid.rows) / ARROWS));
  for (let row = every >> 1; row < grid.rows; row += every) {
    for (let col = every >> 1; col < grid.cols; col += every) {
      const cell = row * grid.cols + col;
      const to = flow.receiver[cell]!;
      if (to < 0 || flow.filled[cell]! > grid.levels[cell]! || flow.filled[cell]! - flow.filled[to]! < 1e-6) continue;
      const from = placeOfCell(grid, cell);
      const next = placeOfCell(grid, to);
      const reach = (every * 0.4 * grid.cell) / (Math.hypot(next.east - from.east, next.north - from.north) || 1);
      arrows.push([
        from,
        { east: from.east + (next.east - from.east) * reach, north: from.north + (next.north - from.north) * reach },
      ]);
    }
  }
  const element = chosen === null ? undefined : job.elements.get(chosen);
  const place = element ? placesOf(element).at(-1) : undefined;
  const follows =
    element && place && ['downspout', 'fixedFlow', 'wetSpot', 'spotLevel', 'basin'].includes(element.kind);
  return {
    contours: contoursOf(surface, step),
    wordsOf: (level) => text(showLevel(level, units)),
    ponds: water.ponds.slice(0, 12).map((pond, k) => ({
      id: String(k),
      cells: pond.cells.map((cell) => placeOfCell(grid, cell)),
      cell: grid.cell,
      middle: placeOfCell(grid, pond.deepest),
      words: pondWords(job, pond),
      chosen: false,
    })),
    arrows,
    ways: follows ? [flowPath(water, place)].filter((way) => way.length > 1) : [],
    catchment:
      element && (element.kind === 'basin' || element.kind === 'channel') ? catchmentCells(job, element.id) : null,
  };
}
