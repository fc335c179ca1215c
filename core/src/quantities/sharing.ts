/** Runs that lie in one trench with another, or with a drain: as was said of them, or drawn side by side so near that a crew digs them as one. */
import { ofKind, type Job } from '../job/job';
import { isNew, type Drain, type Run } from '../job/kinds';
import { wayOfRun } from '../job/places';
import type { RunPlan } from '../plan/solution';
import { extentOf, wayLength, type Extent, type Place } from '../site/place';

/** A stretch along a run that lies in the trench of another, m from its head. */
export interface Shared {
  with: string;
  from: number;
  to: number;
}

/** Pipes further from one way than so are no longer side by side, sine of 10°; and a stretch shorter than so is dug by itself, m: 5 ft. */
const ASKEW = 0.174;
const WORTH = 1.524;

export type Stretch = readonly [from: number, to: number];

/** The stretch of a segment, m from its start, that lies within a distance of another nearly along it; null where none does. */
function alongside(a: Place, b: Place, c: Place, d: Place, within: number): Stretch | null {
  const [own, other] = [wayLength([a, b]), wayLength([c, d])];
  if (own < 1e-6 || other < 1e-6) return null;
  const [ux, uy] = [(b.east - a.east) / own, (b.north - a.north) / own];
  const [vx, vy] = [(d.east - c.east) / other, (d.north - c.north) / other];
  if (Math.abs(ux * vy - uy * vx) > ASKEW) return null;
  // How far along the other a place lies, and how far off it: both grow evenly along this one.
  const [x, y] = [a.east - c.east, a.north - c.north];
  const limits: [at: number, grows: number, least: number, most: number][] = [
    [x * vx + y * vy, ux * vx + uy * vy, 0, other],
    [x * vy - y * vx, ux * vy - uy * vx, -within, within],
  ];
  let [from, to] = [0, own];
  for (const [at, grows, least, most] of limits) {
    if (Math.abs(grows) < 1e-12) {
      if (at < least || at > most) return null;
      continue;
    }
    const ends = [(least - at) / grows, (most - at) / grows];
    from = Math.max(from, Math.min(...ends));
    to = Math.min(to, Math.max(...ends));
  }
  return to > from ? [from, to] : null;
}

/** Stretches that touch or overlap, as one. */
function joined(stretches: readonly Stretch[]): Stretch[] {
  const whole: [number, number][] = [];
  for (const [from, to] of [...stretches].sort((a, b) => a[0] - b[0])) {
    const last = whole.at(-1);
    if (last && from <= last[1] + 1e-3) last[1] = Math.max(last[1], to);
    else whole.push([from, to]);
  }
  return whole;
}

/** What of a stretch lies outside others. */
export const outside = (stretch: Stretch, taken: readonly Stretch[]): Stretch[] =>
  taken.reduce<Stretch[]>(
    (left, [from, to]) =>
      left.flatMap(([a, b]) =>
        (
          [
            [a, Math.min(b, from)],
            [Math.max(a, to), b],
          ] as Stretch[]
        ).filter(([start, end]) => end - start > 1e-9),
      ),
    [stretch],
  );

interface Line {
  of: Run | Drain;
  way: readonly Place[];
  box: Extent;
  depth: number;
}

/** Stretches of a line along another, m from its head along its own plan. */
function sharedBy(guest: Line, host: Line, within: number): Stretch[] {
  const found: Stretch[] = [];
  let gone = 0;
  for (let k = 1; k < guest.way.length; k++) {
    const [a, b] = [guest.way[k - 1]!, guest.way[k]!];
    for (let j = 1; j < host.way.length; j++) {
      const stretch = alongside(a, b, host.way[j - 1]!, host.way[j]!, within);
      if (stretch) found.push([gone + stretch[0], gone + stretch[1]]);
    }
    gone += wayLength([a, b]);
  }
  return joined(found).filter(([from, to]) => to - from >= WORTH);
}

const apart = (one: Extent, other: Extent, by: number): boolean =>
  one.west > other.east + by ||
  other.west > one.east + by ||
  one.south > other.north + by ||
  other.south > one.north + by;

/** How deep a run lies in its middle, m. */
const depthOf = ({ groundUp, groundDown, invertUp, invertDown }: RunPlan): number =>
  (groundUp - invertUp + groundDown - invertDown) / 2;

/**
 * What of each run lies in another's trench; nothing of a run that has all its trench to itself. Drawn side by side within a distance (m,
 * middle to middle) the deeper one's trench is dug and the other widens it; a drain's too, in which a run no deeper lies beside its stone. A run driven through, one that lies in a trench by hand, and one
 * that is said to be apart are not looked at.
 */
export function sharedTrenches(
  job: Job,
  plans: Readonly<Record<string, RunPlan>>,
  within: number,
): ReadonlyMap<string, readonly Shared[]> {
  const shared = new Map<string, Shared[]>();
  const lines: Line[] = [];
  for (const run of ofKind(job, 'run')) {
    const plan = plans[run.id];
    if (!plan || !isNew(run)) continue;
    if (run.beside !== undefined) {
      shared.set(run.id, [{ with: run.beside, from: 0, to: run.length }]);
      continue;
    }
    const way = run.apart || run.bored ? null : wayOfRun(job, run);
    if (way) lines.push({ of: run, way, box: extentOf(way)!, depth: depthOf(plan) });
  }
  for (const drain of ofKind(job, 'drain')) {
    const { way, here, depth } = drain;
    if (way && !here) lines.push({ of: drain, way, box: extentOf(way)!, depth });
  }
  lines.sort((a, b) => b.depth - a.depth || (a.of.id < b.of.id ? -1 : 1));
  for (const [at, guest] of lines.entries())
    for (const host of lines.slice(0, at)) {
      // A drain is dug as wide and as deep as its stone is, whatever lies beside it.
      if (guest.of.kind === 'drain' || apart(guest.box, host.box, within)) continue;
      const { id, length } = guest.of;
      const known = shared.get(id) ?? [];
      const scale = length / wayLength(guest.way);
      const fresh = sharedBy(guest, host, within).flatMap(([from, to]) =>
        outside(
          [from * scale, to * scale],
          known.map((each) => [each.from, each.to]),
        ),
      );
      if (fresh.length > 0) shared.set(id, [...known, ...fresh.map(([from, to]) => ({ with: host.of.id, from, to }))]);
    }
  return shared;
}
