/** Inlets on a slope: what each takes of the water that comes to it, and what it passes on to the next. */
import { GRATE_FACTS } from '../catalogue/grates';
import { interception, type Interception } from '../hydraulics/slopeInlet';
import type { Basin, GroundInlet } from '../job/kinds';
import { indicesIn, placesOf, upstreamFirst } from '../numeric/upstreamFirst';
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

/** An inlet on a slope, and what takes what it passes on; null where that runs on unled. */
interface Passing {
  inlet: SlopeInlet;
  to: string | null;
}

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
  const place = placesOf(all.map(({ inlet }) => inlet));
  const next = all.map(({ to }) => indicesIn(place, to === null ? [] : [to]));
  const { order, left } = upstreamFirst(all.length, (index) => next[index]!);
  if (left.length === 0) return order.map((index) => all[index]!);
  const round = oneInRound(next, left);
  return ordered(all.map((each, index) => (index === round ? { ...each, to: null } : each)));
}

/** Arrivals at every landing with what is passed on moved to the next; `flowOf` gives the flow (m³/s) of a list of arrivals. */
export function withBypass(
  groundInlets: readonly GroundInlet[],
  arrivals: ReadonlyMap<string, readonly Arrival[]>,
  flowOf: (parts: readonly Arrival[]) => number,
): { arrivals: ReadonlyMap<string, readonly Arrival[]>; onSlope: ReadonlyMap<string, OnSlope> } {
  const all = groundInlets.filter(onSlope).map((inlet): Passing => ({ inlet, to: inlet.passesTo ?? null }));
  if (all.length === 0) return { arrivals, onSlope: new Map() };
  const moved = new Map(arrivals);
  const intercepted = new Map<string, OnSlope>();
  const times = (parts: readonly Arrival[], share: number): Arrival[] =>
    parts.map(({ time, area }) => ({ time, area: area * share }));
  for (const { inlet, to } of ordered(all)) {
    const parts = moved.get(inlet.id) ?? [];
    const offered = flowOf(parts);
    const taken = taking(inlet, offered);
    const past = 1 - taken.share;
    intercepted.set(inlet.id, { ...taken, offered, passed: offered * past, to });
    if (past <= 0) continue;
    moved.set(inlet.id, times(parts, taken.share));
    if (to !== null) moved.set(to, [...(moved.get(to) ?? []), ...times(parts, past)]);
  }
  return { arrivals: moved, onSlope: intercepted };
}
