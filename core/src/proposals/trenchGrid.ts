/** What a metre of trench costs all over a site, by the job's own rates: through turf, paving, roots, beside services; and where none may go. */
import { HARD_COVERS } from '../catalogue/surfaces';
import { cellAt, cellsAlong, cellsWithin, placeOf, type Grid } from '../ground/grid';
import { ofKind, type Job } from '../job/job';
import { rootReach } from '../job/kinds';
import { placesOf } from '../job/places';
import { spread } from '../layout/cheapest';
import { stepsOf, type CostGrid } from '../layout/costGrid';
import { partRate, pricesOf, WORK_RATES, type WorkRate } from '../price/book';
import { distance, extentOf, type Place } from '../site/place';
import { handDigOf } from '../yard/crossings';
import { groundOf } from '../yard/ground';
import type { NotHere } from './ends';

export interface TrenchGrid extends CostGrid {
  grid: Grid;
  /** What a metre is paid for by cell, whether one would go there or not; `costs` are higher where one goes only for want of another way. */
  prices: Float64Array;
  /** By cell whether something that one would rather leave alone lies there: roots, paving, services. */
  spared: Uint8Array;
}

/** Sides of a cell, m: the finest, and as many cells as are searched at most. */
const FINEST = 0.5;
const CELLS = 9000;
/** Ground about all that is drawn, m. */
const ABOUT = 2;
/** Width of a trench that is made good, m. */
const WIDE = 0.4;
/** Size that a line is priced by, m: what most are. */
const NOMINAL = 0.1016;
/** Kept off walls so far, m, where there is another way: this times the price. */
const OFF_WALLS = 0.9;
const BESIDE_WALL = 3;
/** No trench goes so near to a trunk, m. */
export const TRUNK = 0.9;
/** A fence is taken down and put up again: this times the price of its cell. */
const FENCE = 1.6;
/** Over ground that nobody has levelled, where the rest is: what covers a pipe there is not known. */
const UNSEEN = 4;
/** Over a boundary only where there is no other way. */
const BOUNDARY = 12;

/** Everything of the site that says how far it goes. */
const placesIn = (job: Job): Place[] =>
  job.elements.all.flatMap((element) => {
    if (element.kind === 'run') return [];
    const outline = 'outline' in element ? (element.outline as readonly Place[] | undefined) : undefined;
    return [...placesOf(element), ...(outline ?? [])];
  });

/** What a trench is taken for beyond its price. */
export interface Taken {
  /** This much more, as a share, where something lies that is to be left alone. */
  spare?: number;
  /** Every metre this many times the price of one through turf more: the more, the shorter the lines, and the more fall they keep. */
  short?: number;
}

/** A grid over a job's site; null where nothing of it is drawn. */
export function trenchGrid(
  job: Job,
  notHere: readonly NotHere[],
  { spare = 0, short = 0 }: Taken = {},
): TrenchGrid | null {
  const extent = extentOf(placesIn(job));
  if (!extent) return null;
  const grid = emptyGrid(extent);
  const { rates } = pricesOf(job);
  const rate = (work: WorkRate): number => rates[`work ${work}`] ?? WORK_RATES[work];
  const pipe = partRate({ type: 'pipe', material: 'smooth', nominal: NOMINAL });
  const plain = rate('trench') + rate('lay') + pipe + WIDE * rate('turf');
  const costs = new Float64Array(grid.levels.length).fill(plain);
  const spared = new Uint8Array(costs.length);
  const add = (cells: Iterable<number>, more: number): void => {
    for (const at of new Set(cells)) {
      costs[at]! += more;
      spared[at] = 1;
    }
  };
  for (const { outline, cover } of ofKind(job, 'surface'))
    if (outline && HARD_COVERS.has(cover)) add(cellsWithin(grid, outline), 2 * rate('saw') + WIDE * rate('slab'));
  for (const tree of ofKind(job, 'tree'))
    if (tree.place)
      add(
        cellsNear(grid, tree.place, rootReach(tree)),
        rate(tree.vigour === 'aggressive' ? 'rootsHeavy' : 'rootsLight'),
      );
  for (const service of ofKind(job, 'service'))
    if (service.way)
      add(
        cellsAlong(grid, service.way).flatMap((at) => cellsNear(grid, placeOf(grid, at), handDigOf(service))),
        rate('handDig'),
      );
  for (const { form, way } of ofKind(job, 'barrier'))
    if (way && form === 'fence') for (const at of new Set(cellsAlong(grid, way))) costs[at]! *= FENCE;
  const prices = Float64Array.from(costs);
  for (let at = 0; at < costs.length; at++) costs[at] = costs[at]! * (1 + spare * spared[at]!) + short * plain;
  bar(job, grid, costs);
  for (const { place, reach } of notHere) for (const at of cellsNear(grid, place, reach)) costs[at] = Infinity;
  return { cols: grid.cols, rows: grid.rows, cell: grid.cell, costs, grid, prices, spared };
}

function emptyGrid({ west, east, south, north }: NonNullable<ReturnType<typeof extentOf>>): Grid {
  const [wide, high] = [east - west + 2 * ABOUT, north - south + 2 * ABOUT];
  const cell = Math.max(FINEST, Math.sqrt((wide * high) / CELLS));
  const [cols, rows] = [Math.ceil(wide / cell), Math.ceil(high / cell)];
  return {
    cols,
    rows,
    cell,
    east: west - ABOUT + cell / 2,
    north: south - ABOUT + cell / 2,
    levels: new Float64Array(cols * rows),
    kinds: new Uint8Array(cols * rows),
    ridges: [],
  };
}

/** Where no trench goes, and where one goes only for want of another way. */
function bar(job: Job, grid: Grid, costs: Float64Array): void {
  const times = (cells: Iterable<number>, by: number): void => {
    for (const at of new Set(cells)) costs[at]! *= by;
  };
  for (const { form, way } of ofKind(job, 'barrier')) {
    if (!way) continue;
    if (form === 'fence') continue;
    if (form === 'propertyLine') times(cellsAlong(grid, way), BOUNDARY);
    else for (const at of cellsAlong(grid, way)) costs[at] = Infinity;
  }
  const { surface } = groundOf(job);
  if (surface)
    times(
      [...costs.keys()].filter((at) => surface.levelAt(placeOf(grid, at)) === null),
      UNSEEN,
    );
  for (const { outline } of ofKind(job, 'building')) {
    if (!outline) continue;
    const sides = [...outline, outline[0]!];
    times(
      cellsAlong(grid, sides).flatMap((at) => cellsNear(grid, placeOf(grid, at), OFF_WALLS)),
      BESIDE_WALL,
    );
  }
  for (const { outline } of ofKind(job, 'building'))
    for (const at of outline ? cellsWithin(grid, outline) : []) costs[at] = Infinity;
  for (const { place } of ofKind(job, 'tree'))
    if (place) for (const at of cellsNear(grid, place, TRUNK)) costs[at] = Infinity;
}

/** Cells within so far of a place. */
export function cellsNear(grid: Grid, place: Place, reach: number): number[] {
  const by = Math.ceil(reach / grid.cell);
  const cells: number[] = [];
  for (let up = -by; up <= by; up++)
    for (let right = -by; right <= by; right++) {
      const at = cellAt(grid, { east: place.east + right * grid.cell, north: place.north + up * grid.cell });
      if (at >= 0 && distance(placeOf(grid, at), place) <= Math.max(reach, grid.cell / 2)) cells.push(at);
    }
  return cells;
}

/** The cell that a line to something that stands at a place begins in: the nearest that a trench may go through; null where none is near. */
export function cellOf({ grid, costs }: TrenchGrid, place: Place): number | null {
  const free = cellsNear(grid, place, Math.max(BEGINS, grid.cell)).filter((at) => costs[at]! < Infinity);
  if (free.length === 0) return null;
  return free.reduce((best, at) =>
    distance(placeOf(grid, at), place) < distance(placeOf(grid, best), place) ? at : best,
  );
}

/** Whether something can be dug in at a place. */
export function isFree({ grid, costs }: TrenchGrid, place: Place): boolean {
  const at = cellAt(grid, place);
  return at >= 0 && costs[at]! < Infinity;
}

/** m from a thing to the cell that its line begins in. */
const BEGINS = 2;

/** One search for the cheapest ways over a job's grid, from its middle: what anything over it is held against. */
export function cheapestFrom(job: Job): { cells: number; run: () => void } | null {
  const ground = trenchGrid(job, []);
  if (!ground) return null;
  const steps = stepsOf(ground);
  const cells = ground.costs.length;
  const middle = [...ground.costs.keys()]
    .sort((a, b) => Math.abs(a - cells / 2) - Math.abs(b - cells / 2))
    .find((at) => ground.costs[at]! < Infinity)!;
  return {
    cells,
    run: () => {
      const cost = new Float64Array(cells).fill(Infinity);
      cost[middle] = 0;
      spread(steps, cost, new Int32Array(cells));
    },
  };
}
