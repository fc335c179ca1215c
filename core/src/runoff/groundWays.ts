/** Water that is led on over the ground: down swales, through culverts, out of the hollow behind a berm. */
import { indicesIn, placesOf, upstreamFirst } from '../numeric/upstreamFirst';
import type { Arrival } from './sources';

export interface Way {
  id: string;
  /** What takes its water, by id; null where that leaves the job. */
  to: string | null;
  /** Time (s) that a flow (m³/s) takes along it. */
  time(flow: number): number;
}

/** What comes down a way: C·A (m²) with its times, what always runs and the design flow, m³/s. */
export interface WayFlow {
  parts: readonly Arrival[];
  area: number;
  fixed: number;
  flow: number;
}

export interface Led {
  arrivals: ReadonlyMap<string, readonly Arrival[]>;
  fixed: ReadonlyMap<string, number>;
  ways: ReadonlyMap<string, WayFlow>;
}

/** Every way after those that lead into it; what goes round is left out, the job's faults name it. */
export function orderedWays<W extends Way>(ways: readonly W[]): W[] {
  const place = placesOf(ways);
  const next = ways.map(({ to }) => (to === null ? [] : indicesIn(place, [to])));
  return upstreamFirst(ways.length, (index) => next[index]!).order.map((index) => ways[index]!);
}

/** Leads water down ordered ways; `flowOf` gives the flow (m³/s) of a list of arrivals. */
export function leadOn(
  ways: readonly Way[],
  arrivals: ReadonlyMap<string, readonly Arrival[]>,
  fixed: ReadonlyMap<string, number>,
  flowOf: (parts: readonly Arrival[]) => number,
): Led {
  const moved = new Map(arrivals);
  const steady = new Map(fixed);
  const led = new Map<string, WayFlow>();
  for (const { id, to, time } of ways) {
    const parts = moved.get(id) ?? [];
    const always = steady.get(id) ?? 0;
    const flow = flowOf(parts) + always;
    led.set(id, { parts, area: parts.reduce((sum, { area }) => sum + area, 0), fixed: always, flow });
    if (to === null) continue;
    const late = flow > 0 ? time(flow) : 0;
    if (parts.length > 0)
      moved.set(to, [...(moved.get(to) ?? []), ...parts.map((part) => ({ time: part.time + late, area: part.area }))]);
    if (always > 0) steady.set(to, (steady.get(to) ?? 0) + always);
  }
  return { arrivals: moved, fixed: steady, ways: led };
}
