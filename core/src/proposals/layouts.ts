/** Lines laid out over a site in several ways, each the cheapest of its kind: joined, to one way out, each by itself, round what is spared, roof water apart. */
import { pumpBasin } from '../design/suggested';
import { elementOf, type Job } from '../job/job';
import type { Discharge, Element } from '../job/kinds';
import { spread } from '../layout/cheapest';
import { stepsOf } from '../layout/costGrid';
import { leastBound } from '../layout/leastBound';
import { EXACT, leastForest } from '../layout/leastTree';
import { nearTree } from '../layout/nearTree';
import { distance } from '../site/place';
import { groundOf } from '../yard/ground';
import { byDistance, type End, type Wanted } from './ends';
import { linesOf, type NextCells } from './lines';
import { cellOf, isFree, trenchGrid, type TrenchGrid } from './trenchGrid';

/** Ways to lay lines out; `roomier` are those of another plan in larger pipe. */
export const LAYOUTS = ['joined', 'spared', 'short', 'apart', 'own', 'one', 'pumped', 'roomier'] as const;
export type LayoutKind = (typeof LAYOUTS)[number];

export interface Layout {
  kind: LayoutKind;
  elements: readonly Element[];
  /** By how much lines that join the same ends over the same cells can be cheaper at most, as a share of these; worked out of those that are joined alone, null of others and of what somebody moved. */
  gap: number | null;
  /** Ends that no trench reaches, by id. */
  cutOff: readonly string[];
}

/** So many times as dear is a cell in which a line of another group lies. */
const TAKEN = 3;
/** How much dearer a trench is taken to be where something is to be left alone, as a share; and less where what goes so far round does not fall. */
const SPARED = 4;
const LESS_SPARED = [1.5, 0.5];
/** How many times dearer every metre is taken to be: of lines that may be cheaper in all, as they lie less deep; and of others where those are still too long to fall. */
const SHORT = 4;
const SHORTER = [1, 20];

/** Lines of one group. */
interface Joined {
  next: NextCells;
  /** By how much any that join it over the same cells can be cheaper, as a share of these. */
  gap: () => number;
  cutOff: string[];
}

/** The cheapest lines of some ends to some roots; of more ends than are joined exactly some that come near to it. */
function joinedLines(ground: TrenchGrid, ends: readonly End[], roots: readonly End[]): Joined {
  const to = [...new Set(roots.flatMap(({ place }) => cellOf(ground, place) ?? []))];
  const cutOff: string[] = [];
  const [first] = roots;
  // What no way leads to from any root is cut off, and keeps nothing else from being joined.
  const away = new Float64Array(ground.costs.length).fill(Infinity);
  for (const at of to) away[at] = 0;
  spread(stepsOf(ground), away, new Int32Array(away.length));
  const reached = (first ? byDistance(ends, first.place) : ends).flatMap((end): number[] => {
    const at = cellOf(ground, end.place);
    if (at !== null && away[at]! < Infinity) return [at];
    cutOff.push(end.id);
    return [];
  });
  const cells = [...new Set(reached)];
  if (cells.length <= EXACT) return { next: leastForest(ground, to, cells)!.next, gap: () => 0, cutOff };
  const { next, cost } = nearTree(ground, to, cells)!;
  return { next, gap: () => Math.max(0, 1 - leastBound(ground, to, cells) / cost), cutOff };
}

/** All led to a pump's basin beside the lowest of what is led off, which lifts it to the nearest way out: for where nothing falls far enough. Null where no ground is known. */
export function pumpedLayout({ job, ends, roots, asked }: Wanted): Layout | null {
  const ground = trenchGrid(job, asked.notHere);
  const { surface } = groundOf(job);
  const levels = new Map(ends.map((end) => [end, surface?.levelAt(end.place) ?? Infinity]));
  const [lowest] = [...ends].sort((a, b) => levels.get(a)! - levels.get(b)!);
  if (!ground || !lowest) return null;
  const outs = roots.filter(({ kind }) => kind === 'discharge');
  const [out] = byDistance(outs, lowest.place);
  const place = BESIDE.map(([east, north]) => ({
    east: lowest.place.east + east,
    north: lowest.place.north + north,
  })).find((each) => isFree(ground, each) && (surface?.levelAt(each) ?? null) !== null);
  if (!out || !place) return null;
  const made = pumpBasin(job, place, surface!.levelAt(place)!);
  const outlet = elementOf(job, 'discharge', out.id);
  const pump: Discharge = {
    ...made,
    pump: {
      ...made.pump!,
      mainLength: Math.max(1, distance(place, out.place)),
      // It lets out over the ground there.
      outletLevel: Math.max((outlet?.groundLevel ?? 0) + OVER, made.pump!.start),
    },
  };
  const on: Job = { id: job.id, elements: job.elements.with([pump], []) };
  const to: End = { id: pump.id, kind: 'discharge', place };
  const found = joinedLines(ground, ends, [to]);
  const lines = linesOf(on, ground, { next: found.next, ends, roots: [to] });
  return { kind: 'pumped', elements: [pump, ...lines], gap: null, cutOff: found.cutOff };
}

/** Where a pump's basin may stand beside what it takes, m east and north; and how high over the ground it lets out, m. */
const BESIDE = [
  [1.5, 0],
  [-1.5, 0],
  [0, 1.5],
  [0, -1.5],
] as const;
const OVER = 0.1;

/** Lines of some ends in groups, those of each joined, to some ways out. */
function laidIn(
  { job, roots }: Wanted,
  ground: TrenchGrid,
  kind: LayoutKind,
  groups: readonly (readonly End[])[],
  to: readonly End[] = roots,
): Layout {
  const elements: Element[] = [];
  let gap: number | null = null;
  const cutOff: string[] = [];
  // Lines of their own lie beside one another, and cross where there is no other way.
  const left: TrenchGrid = { ...ground, costs: Float64Array.from(ground.costs) };
  for (const group of groups) {
    const found = joinedLines(left, group, to);
    const on: Job = { id: job.id, elements: job.elements.with(elements, []) };
    elements.push(...linesOf(on, left, { next: found.next, ends: group, roots: to }));
    if (kind === 'joined') gap = found.gap();
    for (const at of found.next.keys()) left.costs[at] = TAKEN * ground.costs[at]!;
    cutOff.push(...found.cutOff);
  }
  return { kind, elements, gap, cutOff };
}

/** Every layout of a site that is worth pricing; `wanted`: what is led off and where to. */
export function* layoutsOf(wanted: Wanted): Generator<Layout> {
  const { job, ends, roots, asked } = wanted;
  const plain = trenchGrid(job, asked.notHere);
  if (!plain || ends.length === 0 || roots.length === 0) return;
  yield laidIn(wanted, plain, 'joined', [ends]);
  yield laidIn(wanted, trenchGrid(job, asked.notHere, { spare: SPARED })!, 'spared', [ends]);
  yield laidIn(wanted, trenchGrid(job, asked.notHere, { short: SHORT })!, 'short', [ends]);
  const roof = ends.filter(({ kind }) => kind === 'downspout');
  if (roof.length > 0 && roof.length < ends.length)
    yield laidIn(wanted, plain, 'apart', [roof, ends.filter((end) => !roof.includes(end))]);
  if (ends.length > 1)
    yield laidIn(
      wanted,
      plain,
      'own',
      ends.map((end) => [end]),
    );
  // Fall may ask for another way out than the nearest.
  const outs = roots.filter(({ kind }) => kind === 'discharge');
  if (outs.length > 1) for (const out of outs) yield laidIn(wanted, plain, 'one', [ends], [out]);
}

/** Lines that are joined by shorter and shorter ways, whatever those cost: for where the cheapest do not fall. */
export function* shorterLayouts(wanted: Wanted): Generator<Layout> {
  for (const short of SHORTER)
    yield laidIn(wanted, trenchGrid(wanted.job, wanted.asked.notHere, { short })!, 'short', [wanted.ends]);
}

/** Lines that leave less and less alone: for where what goes far round does not fall. */
export function* lessSparedLayouts(wanted: Wanted): Generator<Layout> {
  for (const spare of LESS_SPARED)
    yield laidIn(wanted, trenchGrid(wanted.job, wanted.asked.notHere, { spare })!, 'spared', [wanted.ends]);
}
