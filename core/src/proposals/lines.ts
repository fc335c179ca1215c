/** Trees of cells made into lines: straight stretches with bends, a wye where two meet, each run from landing to landing. */
import { cellAt, placeOf } from '../ground/grid';
import { freeName, newRun, onPlan, runAlong } from '../job/edits/insert';
import type { Job } from '../job/job';
import type { Element, Junction, Run } from '../job/kinds';
import { between, distance, wayLength, type Place } from '../site/place';
import { groundOf } from '../yard/ground';
import type { End } from './ends';
import { freeId } from './freshInlets';
import { cellOf, type TrenchGrid } from './trenchGrid';

/** By cell the next on its way; a root has none. */
export type NextCells = ReadonlyMap<number, number>;

/** A straight stretch may cost so much more than the steps from cell to cell that it takes the place of. */
const STRAIGHTER = 1.02;

/** A line may begin so far within what bars it, m: a leader stands at its wall. */
const AT_END = 2;

/** A way in short steps, each with its cell, −1 outside the grid, its length and how far it is from the nearer end, m. */
function* along(ground: TrenchGrid, way: readonly Place[]): Generator<{ at: number; length: number; toEnd: number }> {
  const whole = wayLength(way);
  let gone = 0;
  for (let k = 1; k < way.length; k++) {
    const [a, b] = [way[k - 1]!, way[k]!];
    const far = distance(a, b);
    const count = Math.max(1, Math.ceil((4 * far) / ground.cell));
    for (let part = 0; part < count; part++) {
      const share = (part + 0.5) / count;
      const from = gone + share * far;
      yield { at: cellAt(ground.grid, between(a, b, share)), length: far / count, toEnd: Math.min(from, whole - from) };
    }
    gone += far;
  }
}

/** What a straight stretch costs; ∞ where it passes something barred. */
function straightCost(ground: TrenchGrid, from: Place, to: Place): number {
  let sum = 0;
  for (const { at, length } of along(ground, [from, to])) sum += at < 0 ? Infinity : length * ground.costs[at]!;
  return sum;
}

/** What is paid for a trench along a way. */
export function priceAlong(ground: TrenchGrid, way: readonly Place[]): number {
  let sum = 0;
  for (const { at, length } of along(ground, way)) sum += length * (ground.prices[at] ?? 0);
  return sum;
}

/** Whether a way passes anything barred, but for its ends, which may stand at a wall. */
export function isBarred(ground: TrenchGrid, way: readonly Place[]): boolean {
  for (const { at, toEnd } of along(ground, way))
    if (toEnd > AT_END && (at < 0 || ground.costs[at] === Infinity)) return true;
  return false;
}

/** A way from cell to cell drawn straight, as far as that costs no more: first the farthest, then from there on. */
export function straightened(ground: TrenchGrid, cells: readonly number[]): Place[] {
  const places = cells.map((at) => placeOf(ground.grid, at));
  const gone = [0];
  for (let k = 1; k < cells.length; k++)
    gone.push(
      gone[k - 1]! +
        (distance(places[k - 1]!, places[k]!) * (ground.costs[cells[k - 1]!]! + ground.costs[cells[k]!]!)) / 2,
    );
  const way = [places[0]!];
  for (let from = 0; from < cells.length - 1;) {
    let to = cells.length - 1;
    while (
      to > from + 1 &&
      straightCost(ground, places[from]!, places[to]!) > STRAIGHTER * (gone[to]! - gone[from]!) + 1e-9
    )
      to--;
    way.push(places[to]!);
    from = to;
  }
  return way;
}

/** Runs and wyes of a tree of cells. `roots`: what its last cells belong to. The ends stand in the job already. */
export function linesOf(
  job: Job,
  ground: TrenchGrid,
  { next, ends, roots }: { next: NextCells; ends: readonly End[]; roots: readonly End[] },
): Element[] {
  const made: Element[] = [];
  const withMade = (): Job => ({ id: job.id, elements: job.elements.with(made, []) });
  const owner = new Map<number, End>();
  const beside: [End, End][] = [];
  for (const root of roots) {
    const at = cellOf(ground, root.place);
    if (at !== null && !owner.has(at)) owner.set(at, root);
  }
  for (const end of ends) {
    const at = cellOf(ground, end.place);
    if (at === null) continue;
    const known = owner.get(at);
    if (known) beside.push([end, known]);
    else owner.set(at, end);
  }
  const comes = new Map<number, number>();
  for (const to of next.values()) comes.set(to, (comes.get(to) ?? 0) + 1);
  const { surface } = groundOf(job);
  for (const [at, count] of comes)
    if (count > 1 && !owner.has(at)) {
      const place = placeOf(ground.grid, at);
      const wye: Junction = {
        id: freeId(withMade(), 'wye'),
        kind: 'junction',
        name: freeName(withMade(), 'Wye'),
        form: 'wye',
        groundLevel: surface?.levelAt(place) ?? 0,
      };
      made.push(surface ? onPlan(wye, place) : { ...wye, place });
      owner.set(at, { id: wye.id, kind: 'junction', place });
    }
  const lay = (from: End, to: End, way: readonly Place[]): void => {
    const own = tidied([from.place, ...way.slice(1, -1), to.place]);
    const run = newRun(withMade(), freeId(withMade(), 'line'), from.id, to.id, Math.max(0.1, wayLength(own)));
    made.push(runAlong(run, own) as Run);
  };
  for (const [at, from] of owner) {
    if (!next.has(at)) continue;
    const cells = [at];
    for (let on = next.get(at); on !== undefined; on = next.get(on)) {
      cells.push(on);
      if (owner.has(on)) break;
    }
    const to = owner.get(cells.at(-1)!);
    if (to) lay(from, to, straightened(ground, cells));
  }
  for (const [end, to] of beside) lay(end, to, [end.place, to.place]);
  return made;
}

/** Places nearer together than so are one, m. */
const ONE = 0.3;

/** Without bends right beside an end, where the way only steps onto its cells. */
const tidied = (way: readonly Place[]): Place[] =>
  way.filter(
    (place, k) =>
      k === 0 ||
      k === way.length - 1 ||
      (distance(place, way[0]!) > ONE && distance(place, way.at(-1)!) > ONE && distance(place, way[k - 1]!) > 1e-6),
  );
