/** Inlets on a slope: what each takes of the water that comes to it, and what it passes on to the next. */
import { GRATE_FACTS } from '../catalogue/grates';
import { interception, type Interception } from '../hydraulics/slopeInlet';
import type { Basin, GroundInlet } from '../job/kinds';
import { indicesIn, placesOf, upstreamFirst } from '../numeric/upstreamFirst';
import { NO_OVERFLOW, type Overflow } from './diverted';
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

/** Something that passes on part of what comes to it. */
interface Passing {
  id: string;
  to: string | null;
  takes(flow: number): Interception;
}

/** Without a sheet of its own: what stands in a low spot, and takes no more than so much of it. */
const part = (share: number): Interception => ({ share, depth: 0, velocity: 0, needed: 0 });

function passing(groundInlets: readonly GroundInlet[], diverted: Overflow['diverted']): Passing[] {
  const slopes = groundInlets.filter(onSlope);
  const own = new Set(slopes.map(({ id }) => id));
  return [
    ...slopes.map((inlet) => {
      const kept = diverted.get(inlet.id);
      return {
        id: inlet.id,
        to: inlet.passesTo ?? kept?.to ?? null,
        takes: (flow: number): Interception => {
          const taken = taking(inlet, flow);
          return kept ? { ...taken, share: taken.share * kept.share } : taken;
        },
      };
    }),
    ...[...diverted].flatMap(([id, { share, to }]) => (own.has(id) ? [] : [{ id, to, takes: () => part(share) }])),
  ];
}

/** Each after those that pass water on to it, then those that go round, of which what is passed on is led nowhere: of inlets on slopes the job's faults name them. */
function ordered(all: readonly Passing[]): Passing[] {
  const place = placesOf(all);
  const next = all.map(({ to }) => (to === null ? [] : indicesIn(place, [to])));
  const { order, left } = upstreamFirst(all.length, (index) => next[index]!);
  return [...order.map((index) => all[index]!), ...left.map((index) => ({ ...all[index]!, to: null }))];
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
  for (const { id, to, takes } of ordered(all)) {
    const parts = moved.get(id) ?? [];
    const offered = flowOf(parts);
    const taken = takes(offered);
    intercepted.set(id, { ...taken, offered, passed: offered * (1 - taken.share), to });
    if (taken.share >= 1) continue;
    moved.set(
      id,
      parts.map(({ time, area }) => ({ time, area: area * taken.share })),
    );
    if (to !== null)
      moved.set(to, [
        ...(moved.get(to) ?? []),
        ...parts.map(({ time, area }) => ({ time, area: area * (1 - taken.share) })),
      ]);
  }
  return { arrivals: moved, onSlope: intercepted };
}
