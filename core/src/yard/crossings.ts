/** What a line meets on its way over the plan: services, roots, slabs, walls, fences, boundaries, and the ground beside footings. */
import { HARD_COVERS } from '../catalogue/surfaces';
import { keptOf, ofKind, type Job } from '../job/job';
import { step, type Kept } from '../numeric/kept';
import { rootReach, USUAL_HAND_DIG, type Element, type OfKind, type Run } from '../job/kinds';
import { placeAlong, wayOfRun } from '../job/places';
import { bearing, crossing, extentOf, footOnWay, isWithin, wayLength, type Extent, type Place } from '../site/place';

/** What a trench may meet on its way. */
export const MET = ['service', 'barrier', 'breakline', 'tree', 'surface', 'building'] as const;

export interface Crossing {
  /** What is met. */
  id: string;
  kind: Element['kind'];
  /** From the line's head to where it meets it, m. */
  from: number;
  /** To where it has left it again; `from` of what has no width. */
  to: number;
  /** Between the line and what it crosses, rad, 0 to π/2; null of what has no way of its own. */
  angle: number | null;
}

/** Steps that a way is looked at in, m. */
const STEP = 0.1;

interface Line {
  id: string;
  kind: Element['kind'];
  way?: readonly Place[] | undefined;
}

/** Lines that a way crosses, each as often as it does. */
export function linesCrossed(way: readonly Place[], lines: readonly Line[]): Crossing[] {
  const met: Crossing[] = [];
  for (const { id, kind, way: other = [] } of lines) {
    let gone = 0;
    for (let k = 1; k < way.length; k++) {
      const [a, b] = [way[k - 1]!, way[k]!];
      const length = wayLength([a, b]);
      for (let j = 1; j < other.length; j++) {
        const at = crossing(a, b, other[j - 1]!, other[j]!);
        if (!at) continue;
        const from = gone + at.first * length;
        if (met.some((each) => each.id === id && Math.abs(each.from - from) < 0.01)) continue;
        const turn = Math.abs(Math.sin(bearing(a, b) - bearing(other[j - 1]!, other[j]!)));
        met.push({ id, kind, from, to: from, angle: Math.asin(Math.min(1, turn)) });
      }
      gone += length;
    }
  }
  return met;
}

/** What a way may meet, with the box that it lies in: of most of them that alone tells that it does not. */
interface Boxed<E> {
  thing: E;
  places: readonly Place[];
  box: Extent;
}

const boxed = <E>(
  things: readonly E[],
  placesOf: (thing: E) => readonly Place[] | undefined,
  reachOf: (thing: E) => number = () => 0,
): Boxed<E>[] =>
  things.flatMap((thing) => {
    const places = placesOf(thing);
    const box = places && extentOf(places);
    if (!box) return [];
    const reach = reachOf(thing);
    const { west, east, south, north } = box;
    return [
      { thing, places, box: { west: west - reach, east: east + reach, south: south - reach, north: north + reach } },
    ];
  });

/** All that a trench may meet. */
export interface Around {
  lines: readonly Boxed<Line>[];
  trees: readonly Boxed<OfKind<'tree'>>[];
  slabs: readonly Boxed<OfKind<'surface'>>[];
  buildings: readonly Boxed<OfKind<'building'>>[];
  /** What is not drawn, by the run that it was said to lie beside. */
  typed: ReadonlyMap<string, readonly (OfKind<'tree'> | OfKind<'service'>)[]>;
}

type Lists = { [K in (typeof MET)[number]]: readonly OfKind<K>[] };

const groupBy = (things: readonly (OfKind<'tree'> | OfKind<'service'>)[]): Around['typed'] => {
  const typed = new Map<string, (OfKind<'tree'> | OfKind<'service'>)[]>();
  for (const thing of things)
    if (thing.beside !== undefined) typed.set(thing.beside, [...(typed.get(thing.beside) ?? []), thing]);
  return typed;
};

const around = step(
  'what a trench may meet',
  ({ service, barrier, breakline, tree, surface, building }: Lists): Around => ({
    lines: boxed<Line>([...service, ...barrier, ...breakline.filter(({ form }) => form === 'kerb')], ({ way }) => way),
    trees: boxed(tree, ({ place }) => place && [place], rootReach),
    slabs: boxed(
      surface.filter(({ cover }) => HARD_COVERS.has(cover)),
      ({ outline }) => outline,
    ),
    buildings: boxed(building, ({ outline }) => outline),
    typed: groupBy([...tree.filter(({ place }) => !place), ...service.filter(({ way }) => !way)]),
  }),
);

/** All that a trench may meet in a job: the same for as long as nothing of it changes. `kept`: where whoever asks keeps it. */
export const aroundOf = (job: Job, kept: Kept = keptOf(job)): Around =>
  kept.ask(around, Object.fromEntries(MET.map((kind) => [kind, ofKind(job, kind)])) as unknown as Lists);

/** All that a way meets, in the order met. */
export function crossingsAmong({ lines, trees, slabs, buildings }: Around, way: readonly Place[]): Crossing[] {
  const own = extentOf(way);
  if (!own) return [];
  const near = <E>(things: readonly Boxed<E>[]): Boxed<E>[] => things.filter(({ box }) => overlap(own, box));
  const met = linesCrossed(
    way,
    near(lines).map(({ thing }) => thing),
  );
  const within = (id: string, kind: Element['kind'], inside: (place: Place) => boolean): void => {
    for (const [from, to] of stretches(way, inside)) met.push({ id, kind, from, to, angle: null });
  };
  for (const { thing: tree, places } of near(trees)) {
    const place = places[0]!;
    within(tree.id, tree.kind, (at) => Math.hypot(at.east - place.east, at.north - place.north) < rootReach(tree));
  }
  for (const { thing, places } of [...near(slabs), ...near<OfKind<'surface' | 'building'>>(buildings)])
    within(thing.id, thing.kind, (at) => isWithin(places, at));
  return met.sort((a, b) => a.from - b.from);
}

/** A service lies across a run where it is nearer than so, m. */
const ACROSS = 0.05;

/** What a run meets of that which was only said to lie beside it: services across it, and the stretch within a tree's roots. */
function typedAlong({ typed }: Around, { id: run, length }: Run): Crossing[] {
  return (typed.get(run) ?? []).flatMap((thing): Crossing[] => {
    const { id, kind, away = 0 } = thing;
    // Of a pipe that was cut since it is told at its end, rather than nowhere.
    const along = Math.min(thing.along ?? 0, length);
    if (kind === 'service') return away < ACROSS ? [{ id, kind, from: along, to: along, angle: Math.PI / 2 }] : [];
    const half = Math.sqrt(Math.max(0, rootReach(thing) ** 2 - away ** 2));
    return half > 0
      ? [{ id, kind, from: Math.max(0, along - half), to: Math.min(length, along + half), angle: null }]
      : [];
  });
}

/** All that a run meets, drawn and said, in the order met; `way`: its own on the plan, null off it. */
export function metByRun(around: Around, run: Run, way: readonly Place[] | null): readonly Crossing[] {
  const drawn = way ? crossingsAmong(around, way) : NOTHING;
  return around.typed.has(run.id) ? [...drawn, ...typedAlong(around, run)].sort((a, b) => a.from - b.from) : drawn;
}

const NOTHING: readonly Crossing[] = [];

export const crossingsOf = (job: Job, way: readonly Place[]): Crossing[] => crossingsAmong(aroundOf(job), way);

const overlap = (one: Extent, other: Extent): boolean =>
  other.west <= one.east && other.east >= one.west && other.south <= one.north && other.north >= one.south;

/** Parts of a way, from and to in m, on which something holds. */
function stretches(way: readonly Place[], holds: (place: Place) => boolean): [number, number][] {
  const whole = wayLength(way);
  const count = Math.max(1, Math.ceil(whole / STEP));
  const found: [number, number][] = [];
  let open: number | null = null;
  for (let k = 0; k <= count; k++) {
    const at = (whole * k) / count;
    const here = holds(placeAlong(way, at));
    if (here && open === null) open = at;
    if (!here && open !== null) {
      found.push([open, at]);
      open = null;
    }
  }
  if (open !== null) found.push([open, whole]);
  return found;
}

/** A run's crossings: by the plan, and what was said to lie beside it. */
export const crossingsOfRun = (job: Job, run: Run): readonly Crossing[] =>
  metByRun(aroundOf(job), run, wayOfRun(job, run));

/** How near a way comes to a line, m, and where along it: where they cross, or at a corner or an end of either. */
export function nearest(way: readonly Place[], line: readonly Place[]): { away: number; along: number } {
  const [met] = linesCrossed(way, [{ id: '', kind: 'service', way: line }]);
  if (met) return { away: 0, along: met.from };
  let best = { away: Infinity, along: 0 };
  const take = (away: number, along: number): void => {
    if (away < best.away) best = { away, along };
  };
  for (const corner of line) {
    const foot = footOnWay(way, corner);
    if (foot) take(foot.distance, foot.along);
  }
  let gone = 0;
  way.forEach((corner, k) => {
    if (k > 0) gone += wayLength([way[k - 1]!, corner]);
    take(footOnWay(line, corner)?.distance ?? Infinity, gone);
  });
  return best;
}

/** Half the width in which only a spade digs beside a service, m. */
export const handDigOf = ({ handDig = USUAL_HAND_DIG }: { handDig?: number | undefined }): number => handDig;
