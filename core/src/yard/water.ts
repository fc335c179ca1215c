/** Water over the ground of a job: ponds, where each drop goes, and what comes to each inlet. */
import { flood, metFirst, type Flow } from '../ground/flood';
import { block, cellAt, cellFor, cellsAlong, cellsWithin, placeOf, rasterise, type Grid } from '../ground/grid';
import { around, findPonds, type Pond } from '../ground/ponds';
import { Shores } from '../ground/shore';
import { keptOf, ofKind, type Job } from '../job/job';
import type { Barrier, Basin, Building, Channel } from '../job/kinds';
import { step } from '../numeric/kept';
import { distance, extentOf, footOnWay, wayLength, type Place } from '../site/place';
import { groundOf, type Ground } from './ground';

export interface YardWater {
  grid: Grid;
  flow: Flow;
  /** Deep enough to be told, largest first. */
  ponds: Pond[];
}

/** Cells that a plan rests on: they follow a finger. Pictures may ask for more. */
export const CELLS_OF_A_PLAN = 20_000;
/** Shallower ponds are within what a rod reading is good for, m. */
export const LEAST_POND = 0.01;

/** Water over a ground, around its buildings and walls; null where there is no ground. */
export function runWater(
  { surface }: Ground,
  buildings: readonly Building[],
  barriers: readonly Barrier[],
  cells: number,
): YardWater | null {
  if (!surface) return null;
  const grid = rasterise(surface, cellFor(extentOf(surface.points)!, cells));
  for (const { outline } of buildings) if (outline) block(grid, cellsWithin(grid, outline));
  for (const { form, way } of barriers)
    if (way && (form === 'wall' || form === 'retainingWall')) block(grid, cellsAlong(grid, way));
  const flow = flood(grid.levels, grid.cols, grid.rows, grid.kinds, grid.ridges);
  const ponds = findPonds(grid.levels, flow, grid.cell, LEAST_POND);
  const shores = new Shores(grid);
  return { grid, flow, ponds: ponds.map((pond) => ({ ...pond, ...shores.of(pond) })) };
}

interface Read {
  ground: Ground;
  buildings: readonly Building[];
  barriers: readonly Barrier[];
}

const water = step('water over the ground', ({ ground, buildings, barriers }: Read): YardWater | null =>
  runWater(ground, buildings, barriers, CELLS_OF_A_PLAN),
);

/** Water over a job's ground, in cells fine enough to plan by. */
export const yardWater = (job: Job): YardWater | null =>
  keptOf(job).ask(water, {
    ground: groundOf(job),
    buildings: ofKind(job, 'building'),
    barriers: ofKind(job, 'barrier'),
  });

/** Where an inlet lies: places to reach it at. */
const reachOf = (inlet: Basin | Channel): readonly Place[] =>
  inlet.kind === 'basin' ? (inlet.place ? [inlet.place] : []) : (inlet.way ?? []);

/** How near a cell's middle lies to what an inlet takes it by, in cells: its grate lies a little low. A band of a cell and a half lets no step through. */
const REACH = { basin: 1.1, channel: 0.75 } as const;
/** How far within a channel's end the middle of a cell lies that it still takes, in cells: a path may stray half a cell. */
const END = 0.25;

/** Cells whose water an inlet takes: round a basin, and along a channel as far as it goes. */
function takenBy(grid: Grid, inlet: Basin | Channel): number[] {
  const way = reachOf(inlet);
  const own = (inlet.kind === 'basin' ? way.map((place) => cellAt(grid, place)) : cellsAlong(grid, way)).filter(
    (cell) => cell >= 0,
  );
  const whole = wayLength(way);
  const within = [...new Set(own.flatMap((cell) => around(grid, cell)))].filter((cell) => {
    const middle = placeOf(grid, cell);
    if (way.length === 1) return distance(way[0]!, middle) <= REACH.basin * grid.cell;
    const foot = footOnWay(way, middle)!;
    return (
      foot.distance <= REACH.channel * grid.cell && foot.along > END * grid.cell && foot.along < whole - END * grid.cell
    );
  });
  return within.length > 0 ? within : own;
}

/**
 * Which inlet each cell's water meets first, by its index in `inlets`; −1 where it leaves the yard. An inlet takes what comes to its own
 * cells and those beside them, as its grate lies a little low; in a pond it takes all that comes to the pond, each cell to the nearest.
 */
export function meetsFirst({ grid, flow, ponds }: YardWater, inlets: readonly (Basin | Channel)[]): Int32Array {
  const marks = new Int32Array(grid.levels.length).fill(-1);
  const standing = new Map<Pond, number[]>();
  const pondAt = new Map<number, Pond>();
  for (const pond of ponds) for (const cell of pond.cells) pondAt.set(cell, pond);
  inlets.forEach((inlet, k) => {
    for (const cell of takenBy(grid, inlet)) {
      if (marks[cell] === -1) marks[cell] = k;
      const pond = pondAt.get(cell);
      if (pond && !standing.get(pond)?.includes(k)) standing.set(pond, [...(standing.get(pond) ?? []), k]);
    }
  });
  for (const [pond, there] of standing) {
    for (const cell of pond.cells) {
      const at = placeOf(grid, cell);
      const away = (k: number): number => Math.min(...reachOf(inlets[k]!).map((place) => distance(place, at)));
      marks[cell] = there.reduce((best, k) => (away(k) < away(best) ? k : best));
    }
  }
  return metFirst(flow, marks);
}

/** What stands at a wall lets its water out so near beside it, m. */
const BESIDE_WALL = 1;

/**
 * The cell that water from a place runs over: its own, or where a building or a wall stands on that the nearest one beside; −1 off the
 * grid, and where none is near.
 */
export function wetCellAt({ grid, flow }: YardWater, place: Place): number {
  const own = cellAt(grid, place);
  if (own < 0 || flow.receiver[own] !== -2) return own;
  const reach = Math.ceil(BESIDE_WALL / grid.cell);
  const [row, col] = [Math.floor(own / grid.cols), own % grid.cols];
  let best = { cell: -1, away: BESIDE_WALL };
  for (let r = Math.max(0, row - reach); r <= Math.min(grid.rows - 1, row + reach); r++)
    for (let c = Math.max(0, col - reach); c <= Math.min(grid.cols - 1, col + reach); c++) {
      const cell = r * grid.cols + c;
      const away = distance(placeOf(grid, cell), place);
      if (flow.receiver[cell] !== -2 && away <= best.away) best = { cell, away };
    }
  return best.cell;
}

/** The way that water takes from a place, cell by cell, to where it leaves the yard or ends. */
export function flowPath(water: YardWater, from: Place, ends: (cell: number) => boolean = () => false): Place[] {
  const { grid, flow } = water;
  const way: Place[] = [];
  for (let cell = wetCellAt(water, from); cell >= 0; cell = flow.receiver[cell]!) {
    if (flow.receiver[cell] === -2) break;
    way.push(placeOf(grid, cell));
    if (ends(cell)) break;
  }
  return way;
}

/** All cells whose water passes one of some cells, those among them. */
export function upstreamOf({ flow }: YardWater, cells: readonly number[]): number[] {
  const marks = new Int32Array(flow.filled.length).fill(-1);
  for (const cell of cells) marks[cell] = 0;
  const met = metFirst(flow, marks);
  const up: number[] = [];
  met.forEach((mark, cell) => {
    if (mark === 0 && flow.receiver[cell] !== -2) up.push(cell);
  });
  return up;
}
