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

/** Every inlet on a slope after those that pass water on to it. Ones that go round are left out; the job's faults name them. */
function ordered(inlets: SlopeInlet[]): SlopeInlet[] {
  const place = placesOf(inlets);
  const next = inlets.map(({ passesTo }) => (passesTo === undefined ? [] : indicesIn(place, [passesTo])));
  return upstreamFirst(inlets.length, (index) => next[index]!).order.map((index) => inlets[index]!);
}

/** Arrivals at every landing with what inlets on slopes pass on moved to the next; `flowOf` gives the flow (m³/s) of a list of arrivals. */
export function withBypass(
  groundInlets: readonly GroundInlet[],
  arrivals: ReadonlyMap<string, readonly Arrival[]>,
  flowOf: (parts: readonly Arrival[]) => number,
): { arrivals: ReadonlyMap<string, readonly Arrival[]>; onSlope: ReadonlyMap<string, OnSlope> } {
  const inlets = groundInlets.filter(onSlope);
  if (inlets.length === 0) return { arrivals, onSlope: new Map() };
  const moved = new Map(arrivals);
  const intercepted = new Map<string, OnSlope>();
  for (const inlet of ordered(inlets)) {
    const parts = moved.get(inlet.id) ?? [];
    const offered = flowOf(parts);
    const taken = taking(inlet, offered);
    const to = inlet.passesTo ?? null;
    intercepted.set(inlet.id, { ...taken, offered, passed: offered * (1 - taken.share), to });
    if (taken.share >= 1) continue;
    moved.set(
      inlet.id,
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
