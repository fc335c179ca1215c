/** Where the ground leads water from a place: to the first inlet, stone drain or swale in its way. */
import { cellAt, cellsAlong, placeOf, type Grid } from '../ground/grid';
import type { Pond } from '../ground/ponds';
import { groundInlets, keptOf, ofKind, type Job } from '../job/job';
import { isLaid, landsOnGutter } from '../job/kinds';
import { placesOf } from '../job/places';
import { alikeLists, step } from '../numeric/kept';
import { distance, footOnWay, type Place } from '../site/place';
import { wetCellAt, yardWater, type YardWater } from './water';

export interface Downhill {
  /** What takes the water, by id. */
  to: string;
  /** Way over the ground, m, and its mean fall, m/m; 0 on the flat. */
  length: number;
  slope: number;
}

/** What stands this near to where water runs takes it, m. */
const IN_ITS_WAY = 1.5;

interface Taker {
  id: string;
  places: readonly Place[];
}

const samePlaces = alikeLists<Place>((a, b) => a.east === b.east && a.north === b.north);
const sameTakers = alikeLists<Taker>((a, b) => a.id === b.id && samePlaces(a.places, b.places));
const asMade = ({ made }: { made: readonly Taker[] }): readonly Taker[] => made;
const placedTakers = step('what takes water over the ground', asMade);
const unpiped = step('downspouts without a pipe', asMade);

/** What can take water that comes over the ground, and stands on the plan. */
const takersIn = (job: Job): readonly Taker[] =>
  keptOf(job).alike(
    placedTakers,
    [...ofKind(job, 'swale'), ...groundInlets(job), ...ofKind(job, 'stoneDrain')].flatMap((each) => {
      const places = placesOf(each);
      return places.length > 0 ? [{ id: each.id, places }] : [];
    }),
    sameTakers,
  );

const awayFrom = ({ places }: Taker, at: Place): number =>
  places.length > 1 ? footOnWay(places, at)!.distance : distance(places[0]!, at);

/** Finds for any place of one yard what takes its water; null where that runs off the yard, or into a pond that nothing stands in. */
export class Leading {
  /** By cell: takers whose reach it lies in, and those that stand in its pond. */
  private readonly near = new Map<number, Taker[]>();
  private readonly inPond = new Map<number, Taker[]>();

  constructor(
    private readonly water: YardWater,
    takers: readonly Taker[],
  ) {
    const { grid, ponds } = water;
    const pondAt = new Map<number, Pond>(ponds.flatMap((pond) => pond.cells.map((cell) => [cell, pond] as const)));
    for (const taker of takers) {
      for (const cell of cellsNear(grid, taker)) put(this.near, cell, taker);
      const own = taker.places.length > 1 ? cellsAlong(grid, taker.places) : [cellAt(grid, taker.places[0]!)];
      for (const pond of new Set(own.flatMap((cell) => pondAt.get(cell) ?? [])))
        for (const cell of pond.cells) put(this.inPond, cell, taker);
    }
  }

  /** `not`: the thing that the water comes from. */
  from(place: Place, not: string): Downhill | null {
    const { grid, flow } = this.water;
    const start = wetCellAt(this.water, place);
    let length = 0;
    let before = place;
    for (let cell = start; cell >= 0 && flow.receiver[cell] !== -2; cell = flow.receiver[cell]!) {
      const at = placeOf(grid, cell);
      length += distance(before, at);
      before = at;
      const met = nearest(this.near.get(cell), at, not) ?? nearest(this.inPond.get(cell), at, not);
      if (!met) continue;
      const fall = flow.filled[start]! - flow.filled[cell]!;
      return { to: met.id, length, slope: length > 0 ? Math.max(0, fall / length) : 0 };
    }
    return null;
  }
}

const put = (map: Map<number, Taker[]>, cell: number, taker: Taker): void =>
  void map.set(cell, [...(map.get(cell) ?? []), taker]);

const nearest = (takers: readonly Taker[] = [], at: Place, not: string): Taker | null =>
  takers.reduce<Taker | null>(
    (best, each) => (each.id === not || (best && awayFrom(best, at) <= awayFrom(each, at)) ? best : each),
    null,
  );

/** Cells within reach of a taker. */
function cellsNear(grid: Grid, taker: Taker): Set<number> {
  const found = new Set<number>();
  const reach = Math.ceil(IN_ITS_WAY / grid.cell);
  const own = taker.places.length > 1 ? cellsAlong(grid, taker.places) : [cellAt(grid, taker.places[0]!)];
  for (const cell of own) {
    if (cell < 0) continue;
    const [row, col] = [Math.floor(cell / grid.cols), cell % grid.cols];
    for (let r = Math.max(0, row - reach); r <= Math.min(grid.rows - 1, row + reach); r++)
      for (let c = Math.max(0, col - reach); c <= Math.min(grid.cols - 1, col + reach); c++) {
        const at = r * grid.cols + c;
        if (!found.has(at) && awayFrom(taker, placeOf(grid, at)) < IN_ITS_WAY) found.add(at);
      }
    found.add(cell);
  }
  return found;
}

const leading = step(
  'where water leads',
  ({ water, takers }: { water: YardWater; takers: readonly Taker[] }): Leading => new Leading(water, takers),
);

/** For any place of a job where its water goes; null while there is no ground. */
export function leadingIn(job: Job): Leading | null {
  const water = yardWater(job);
  return water && keptOf(job).ask(leading, { water, takers: takersIn(job) });
}

/** A downspout that lets its water out on the ground. */
export interface Splash extends Downhill {
  id: string;
}

const splashes = step('splashes', ({ found, from }: { found: Leading; from: readonly Taker[] }): readonly Splash[] =>
  from.flatMap(({ id, places }) => {
    const way = found.from(places[0]!, id);
    return way ? [{ ...way, id }] : [];
  }),
);

const NONE: readonly Splash[] = [];

/** Downspouts from which no pipe leads and whose water the ground leads on to something; the same list for as long as nothing of it changes. */
export function splashesOf(job: Job): readonly Splash[] {
  const placed = ofKind(job, 'downspout').filter((each) => each.place && !landsOnGutter(each));
  if (placed.length === 0) return NONE;
  const led = new Set(ofKind(job, 'run').flatMap((run) => (isLaid(run) ? [run.from] : [])));
  const open = placed.flatMap(({ id, place }): Taker[] => (led.has(id) ? [] : [{ id, places: [place!] }]));
  const from = keptOf(job).alike(unpiped, open, sameTakers);
  const found = from.length > 0 ? leadingIn(job) : null;
  return found ? keptOf(job).ask(splashes, { found, from }) : NONE;
}
