/** What lies in the ground, as it was laid: every landing and bend by two tapes and its depth, and every reading beside the plan. */
import { AS_PLANNED, laidOn } from '../field/asLaid';
import { digSheet } from '../field/digSheet';
import { headOf, landingsOf, nameOf, ofKind, type Job } from '../job/job';
import { isLaid } from '../job/kinds';
import { placeOfLanding, wayOfRun } from '../job/places';
import { footOnWay, type Place } from '../site/place';
import { invertAlong } from '../network/invertAlong';
import type { Solution } from '../plan/solution';
import { cornersOf, tiesOf, type Ties } from './ties';

type Planned = Pick<Solution, 'landings' | 'runs' | 'lines' | 'here'>;

/** A reading so near to an end of its pipe is of the landing there, m. */
const AT_END = 0.3;
const SPACING = 3;

export interface BuiltPoint {
  id: string;
  name: string;
  place: Place | null;
  ties: Ties | null;
  /** From the ground down to the pipe's invert, m; null where no pipe is. */
  depth: number | null;
  /** Inverts, m: planned, and as it was read; null where it was not. */
  planned: number | null;
  laid: number | null;
}

/** What was read as laid at each landing: the reading nearest to its end of a pipe. */
function readAtLandings(job: Job, plan: Planned): Map<string, { level: number; off: number }> {
  const found = new Map<string, { level: number; off: number; away: number }>();
  const take = (id: string, level: number, off: number, away: number): void => {
    const before = found.get(id);
    if (away <= AT_END && (!before || away < before.away)) found.set(id, { level, off, away });
  };
  for (const run of ofKind(job, 'run')) {
    const planned = plan.runs[run.id];
    if (!planned) continue;
    for (const { along, level } of run.laid ?? []) {
      const invert = invertAlong(planned, along);
      take(run.from, level, level - invert, along);
      // A pipe that comes in above the one that leaves tells of itself, not of the landing's own invert.
      if (job.elements.get(run.to)?.kind === 'discharge') take(run.to, level, level - invert, planned.length - along);
    }
  }
  return found;
}

/** Landings that pipes lead from or to, and bends, each with its ties and its depth. */
export function builtPoints(job: Job, plan: Planned): BuiltPoint[] {
  const corners = cornersOf(job, headOf(job).north ?? 0);
  const read = readAtLandings(job, plan);
  const landings = landingsOf(job).flatMap((landing): BuiltPoint[] => {
    const planned = plan.landings[landing.id];
    if (!planned || planned.invert === null) return [];
    const place = placeOfLanding(landing) ?? null;
    const laid = read.get(landing.id) ?? null;
    const invert = laid ? planned.invert + laid.off : planned.invert;
    return [
      {
        id: landing.id,
        name: nameOf(job, landing.id),
        place,
        ties: place && tiesOf(corners, place),
        depth: planned.groundLevel - invert,
        planned: planned.invert,
        laid: laid ? invert : null,
      },
    ];
  });
  const bends = ofKind(job, 'run').flatMap((run) => {
    const planned = plan.runs[run.id];
    if (!planned || !isLaid(run)) return [];
    return (run.bends ?? []).map((place, k): BuiltPoint => {
      const spot = depthOver(job, plan, run.id, place);
      return {
        id: run.id,
        name: `Bend ${k + 1} of ${nameOf(job, run.id)}`,
        place,
        ties: tiesOf(corners, place),
        depth: spot?.depth ?? null,
        planned: spot?.invert ?? null,
        laid: null,
      };
    });
  });
  return [...landings, ...bends];
}

/** Depth and invert of a pipe at the foot of a place on its way; null where it has none on the plan. */
function depthOver(
  job: Job,
  plan: Planned,
  id: string,
  place: Place,
): { depth: number; invert: number; away: number } | null {
  const run = job.elements.get(id);
  const planned = plan.runs[id];
  if (run?.kind !== 'run' || !planned) return null;
  const way = wayOfRun(job, run);
  const foot = way && footOnWay(way, place);
  if (!foot) return null;
  const share = Math.min(1, Math.max(0, foot.along / planned.length));
  const between = (up: number, down: number): number => up + (down - up) * share;
  const invert = between(planned.invertUp, planned.invertDown);
  return { depth: between(planned.groundUp, planned.groundDown) - invert, invert, away: foot.distance };
}

export interface Below {
  run: string;
  /** m from the place to the pipe, level, and from the ground there down to its invert. */
  away: number;
  depth: number;
}

/** The pipes that lie near a place, the nearest first: for who digs there in ten years. */
export function pipesNear(job: Job, plan: Planned, place: Place, within: number): Below[] {
  return ofKind(job, 'run')
    .flatMap((run) => {
      const spot = depthOver(job, plan, run.id, place);
      return spot && spot.away <= within ? [{ run: run.id, away: spot.away, depth: spot.depth }] : [];
    })
    .sort((a, b) => a.away - b.away);
}

export interface LaidLine {
  letter: string;
  /** Stations read, and those off by more than a quarter inch: m up the line, and m off its plan. */
  read: number;
  off: readonly { up: number; off: number }[];
}

/** How each line was laid beside its plan; a line of which nothing was read has none. */
export function laidLines(job: Job, plan: Planned): LaidLine[] {
  return digSheet(job, plan, SPACING).map((line) => {
    const read = laidOn(job, line).map(({ run, up, level }) => {
      const station = line.stations
        .filter((each) => each.run === run)
        .reduce((near, each) => (Math.abs(each.up - up) < Math.abs(near.up - up) ? each : near));
      return { up, off: level - station.invert };
    });
    return { letter: line.letter, read: read.length, off: read.filter(({ off }) => Math.abs(off) > AS_PLANNED) };
  });
}
