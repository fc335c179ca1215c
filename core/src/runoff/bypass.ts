/** Inlets on a slope: what each takes of the water that comes to it, and what it passes on to the next. */
import { GRATE_FACTS } from '../catalogue/grates';
import { interception, type Interception } from '../hydraulics/slopeInlet';
import type { Basin, GroundInlet } from '../job/kinds';
import { indicesIn, placesOf, upstreamFirst } from '../numeric/upstreamFirst';
import { goesOn, NO_OVERFLOW, type Diverted, type Overflow } from './diverted';
import type { Arrival } from './sources';

export interface OnSlope extends Interception {
  /** m³/s that comes on, and that carries over. */
  offered: number;
  passed: number;
  /** The inlet that it passes on to, by id; null when it runs on unled. */
  to: string | null;
}

/** Share of a channel drain's top that is open slot. */
const CHANNEL_OPEN = 0.5;

type SlopeInlet = GroundInlet & { approach: NonNullable<Basin['approach']> };

const onSlope = (inlet: GroundInlet): inlet is SlopeInlet => inlet.approach !== undefined;

function taking(inlet: SlopeInlet, flow: number): Interception {
  const { slope, roughness, width } = inlet.approach;
  if (inlet.kind === 'channel')
    return interception({ flow, width: inlet.length, slope, roughness }, inlet.length, inlet.width * CHANNEL_OPEN);
  const side = GRATE_FACTS[inlet.grate].weirLength / 4;
  const clogging = inlet.clogging ?? GRATE_FACTS[inlet.grate].clogging;
  return interception(
    { flow, width: width ?? side, slope, roughness },
    side * (inlet.count ?? 1),
    side * (1 - clogging),
  );
}

/** Share that an inlet on a slope takes of a flow (m³/s); all of it where it stands in a low spot. */
export const takenOnSlope = (inlet: GroundInlet, flow: number): number =>
  onSlope(inlet) ? taking(inlet, flow).share : 1;

type On = readonly { to: string; share: number }[];

/** Something that passes on part of what comes to it. */
interface Passing {
  id: string;
  /** What takes what it passes on, as far as it is led. */
  next: readonly string[];
  takes(flow: number): { taken: Interception; on: On };
  /** What of it is told as passed on here. */
  to: string | null;
}

/** Without a sheet of its own: what stands in a low spot, and takes no more than so much of it. */
const part = (share: number): Interception => ({ share, depth: 0, velocity: 0, needed: 0 });

/** An inlet on a slope: past it goes what it does not take, to where it is said to. */
function slopePassing(inlet: SlopeInlet, diverted: Diverted | undefined): Passing {
  const { id, passesTo: past = null } = inlet;
  const rises = diverted?.rises ?? null;
  const next = [past, rises?.to ?? null].filter((to) => to !== null);
  const takes: Passing['takes'] = (flow) => {
    const own = taking(inlet, flow);
    const taken = { ...own, share: own.share * (diverted?.keeps ?? 1) };
    return { taken, on: goesOn({ keeps: taken.share, past, rises }) };
  };
  return { id, next, to: past, takes };
}

function passing(groundInlets: readonly GroundInlet[], diverted: Overflow['diverted']): Passing[] {
  const slopes = groundInlets.filter(onSlope);
  const own = new Set(slopes.map(({ id }) => id));
  const others = [...diverted].filter(([id]) => !own.has(id));
  return [
    ...slopes.map((inlet) => slopePassing(inlet, diverted.get(inlet.id))),
    ...others.map(([id, each]): Passing => {
      const on = goesOn(each);
      return { id, next: on.map(({ to }) => to), to: each.past, takes: () => ({ taken: part(each.keeps), on }) };
    }),
  ];
}

/** Led nowhere, as its water would come back to it. */
const unled = (each: Passing): Passing => ({
  ...each,
  next: [],
  to: null,
  takes: (flow) => ({ taken: each.takes(flow).taken, on: [] }),
});

/** One of some things that go round, by index: from any of them upstream until one is met again. */
function oneInRound(next: readonly (readonly number[])[], left: readonly number[]): number {
  const within = new Set(left);
  const above = new Map<number, number>();
  for (const index of left) for (const to of next[index]!) if (within.has(to)) above.set(to, index);
  const seen = new Set<number>();
  let at = left[0]!;
  for (; !seen.has(at); at = above.get(at)!) seen.add(at);
  return at;
}

/** Each after those that pass water on to it. Of what goes round one is led nowhere: of inlets on slopes the job's faults name it. */
function ordered(all: readonly Passing[]): Passing[] {
  const place = placesOf(all);
  const next = all.map((each) => indicesIn(place, each.next));
  const { order, left } = upstreamFirst(all.length, (index) => next[index]!);
  if (left.length === 0) return order.map((index) => all[index]!);
  const round = oneInRound(next, left);
  return ordered(all.map((each, index) => (index === round ? unled(each) : each)));
}

/** Arrivals at every landing with what is passed on moved to the next; `flowOf` gives the flow (m³/s) of a list of arrivals. */
export function withBypass(
  groundInlets: readonly GroundInlet[],
  arrivals: ReadonlyMap<string, readonly Arrival[]>,
  flowOf: (parts: readonly Arrival[]) => number,
  diverted: Overflow['diverted'] = NO_OVERFLOW.diverted,
): { arrivals: ReadonlyMap<string, readonly Arrival[]>; onSlope: ReadonlyMap<string, OnSlope> } {
  const all = passing(groundInlets, diverted);
  if (all.length === 0) return { arrivals, onSlope: new Map() };
  const moved = new Map(arrivals);
  const intercepted = new Map<string, OnSlope>();
  const times = (parts: readonly Arrival[], share: number): Arrival[] =>
    parts.map(({ time, area }) => ({ time, area: area * share }));
  for (const { id, to, takes } of ordered(all)) {
    const parts = moved.get(id) ?? [];
    const offered = flowOf(parts);
    const { taken, on } = takes(offered);
    intercepted.set(id, { ...taken, offered, passed: offered * (1 - taken.share), to });
    if (taken.share < 1) moved.set(id, times(parts, taken.share));
    for (const each of on)
      if (each.share > 0) moved.set(each.to, [...(moved.get(each.to) ?? []), ...times(parts, each.share)]);
  }
  return { arrivals: moved, onSlope: intercepted };
}
