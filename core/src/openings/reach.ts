/**
 * How high water from one place comes to another over the measured ground. Standing, it spreads as far as the ground lies under it; what
 * does not stay runs off downhill, over the lowest rim of its hollow, and stands in the next hollow on its way.
 */
import { cellAt, cellsAlong, placeOf, type Grid } from '../ground/grid';
import { around } from '../ground/ponds';
import { broadWeirHead } from '../hydraulics/broadWeir';
import { distance, footOnWay, type Place } from '../site/place';
import type { Leading } from '../yard/downhill';
import { wetCellAt, type YardWater } from '../yard/water';
import { TRICKLE, type OpenWater } from './openWater';

/** Water that an inlet takes stands about it so far, m: some 2 in over ground that falls 2 %. */
export const NEAR = 3;
/** Water that runs this near past an opening comes to it, m. */
const PAST = 1.5;
/** A level is read to this, m. */
const AS_READ = 0.001;

export interface Yard {
  water: YardWater;
  leading: Leading;
  /** Edge over which water runs off, m. */
  spillLength: number;
}

const onGround = ({ grid, flow }: YardWater, cell: number): boolean =>
  cell >= 0 && flow.receiver[cell] !== -2 && !Number.isNaN(grid.levels[cell]!);

/** Levels are taken so near to a wall, m: what stands on the edge of the measured ground is on it. */
const AT_EDGE = 1;

/** The nearest place within the grid; the place itself where that is too far off. */
function ontoGrid({ east, north, cell, cols, rows }: Grid, place: Place): Place {
  const near = {
    east: Math.min(east + (cols - 1) * cell, Math.max(east, place.east)),
    north: Math.min(north + (rows - 1) * cell, Math.max(north, place.north)),
  };
  return distance(near, place) <= AT_EDGE ? near : place;
}

/** Measured cells that some places lie in, or beside where a wall stands on them. */
export function cellsOf(water: YardWater, places: readonly Place[]): number[] {
  const way = places.map((place) => ontoGrid(water.grid, place));
  const along = way.length > 1 ? cellsAlong(water.grid, way).map((cell) => placeOf(water.grid, cell)) : way;
  return [...new Set(along.map((place) => wetCellAt(water, place)))].filter((cell) => onGround(water, cell));
}

const farFrom = (places: readonly Place[], at: Place): number =>
  places.length > 1 ? footOnWay(places, at)!.distance : distance(places[0]!, at);

/** Cells that standing water covers from some on, the ground under it all the way; `within` m of `places`. */
function covered(
  { water }: Yard,
  from: readonly number[],
  level: number,
  { places, within }: { places: readonly Place[]; within: number },
): Set<number> {
  const { grid } = water;
  const isUnder = (cell: number): boolean => onGround(water, cell) && grid.levels[cell]! < level - AS_READ;
  const found = new Set(from.filter(isUnder));
  for (const cell of found)
    for (const beside of around(grid, cell))
      if (!found.has(beside) && isUnder(beside) && farFrom(places, placeOf(grid, beside)) <= within) found.add(beside);
  return found;
}

/** How a water goes over the measured ground. */
export interface Comes {
  /** Highest level of it at some cells, m; null where it does not come there. */
  at(cells: readonly number[]): number | null;
  /** Level at which what runs on leaves the measured ground, m; null where nothing does. */
  leaves: number | null;
}

/** How a water goes over the measured ground; null where it is not on it. */
export function comesFrom(yard: Yard, source: OpenWater): Comes | null {
  const { water, spillLength } = yard;
  const { grid, flow } = water;
  const from = cellsOf(water, source.places);
  if (from.length === 0) return null;
  const lowest = from.reduce((a, b) => (flow.filled[b]! < flow.filled[a]! ? b : a));
  const rim = flow.filled[lowest]!;
  const level = Math.min(source.level, rim + broadWeirHead(source.runs, spillLength));
  const near = covered(yard, from, level, { places: source.places, within: NEAR });
  const pond =
    rim > grid.levels[lowest]! + AS_READ
      ? covered(yard, from, Math.min(level, rim), { places: source.places, within: Infinity })
      : new Set<number>();
  const running = source.runs > TRICKLE ? runningOn(yard, source, lowest) : null;
  return {
    at: (cells) => {
      const stands = cells.some((cell) => near.has(cell) || pond.has(cell)) ? level : null;
      const runs = running?.at(cells) ?? null;
      return stands === null || runs === null ? (stands ?? runs) : Math.max(stands, runs);
    },
    leaves: running?.leaves ?? null,
  };
}

/** What runs on from a cell, until something takes it: past what is near to its way, and into hollows that it fills. */
function runningOn(yard: Yard, { id, places, runs }: OpenWater, start: number): Comes {
  const { water, leading, spillLength } = yard;
  const { grid, flow } = water;
  const head = broadWeirHead(runs, spillLength);
  const most = leading.from(placeOf(grid, start), id)?.length ?? Infinity;
  const way: number[] = [];
  let length = 0;
  for (let cell = start; cell >= 0 && flow.receiver[cell] !== -2 && length <= most; cell = flow.receiver[cell]!) {
    if (way.length > 0) length += distance(placeOf(grid, way.at(-1)!), placeOf(grid, cell));
    way.push(cell);
  }
  const hollows = new Set(way.flatMap((cell) => (flow.filled[cell]! > grid.levels[cell]! ? [flow.filled[cell]!] : [])));
  const fromSource = (cell: number): boolean => farFrom(places, placeOf(grid, cell)) <= grid.cell;
  const far = way.filter((cell) => !fromSource(cell));
  const last = flow.receiver[way.at(-1)!] === -1 ? way.at(-1) : undefined;
  const at: Comes['at'] = (cells) => {
    let highest: number | null = null;
    const take = (level: number): void => void (highest = Math.max(highest ?? level, level));
    for (const at of cells) {
      const fills = flow.filled[at]!;
      if (fills > grid.levels[at]! && hollows.has(fills)) take(fills + head);
      const place = placeOf(grid, at);
      for (const cell of far) {
        const level = grid.levels[cell]! + head;
        if (level > grid.levels[at]! && distance(placeOf(grid, cell), place) <= PAST) take(level);
      }
    }
    return highest;
  };
  return { at, leaves: last === undefined ? null : flow.filled[last]! + head };
}

/** Level to which a hollow at an opening fills of itself, m; null where there is none, or an inlet stands in it. */
export function hollowAt(
  { grid, flow, ponds }: YardWater,
  cells: readonly number[],
  inlets: readonly Place[],
): number | null {
  const drained = new Set(inlets.map((place) => flow.filled[cellAt(grid, place)]));
  const levels = cells.flatMap((cell) => {
    const pond = ponds.find((each) => each.cells.includes(cell));
    return pond && !drained.has(pond.spillLevel) ? [pond.spillLevel] : [];
  });
  return levels.length > 0 ? Math.max(...levels) : null;
}
