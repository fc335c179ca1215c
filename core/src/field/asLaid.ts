/** What was laid against what was planned, at once: high, low, falling back; and what is still possible from there up. */
import { elementOf, type Job } from '../job/job';
import type { RunPlan } from '../plan/solution';
import { METRES_PER_INCH } from '../units/constants';
import type { DigLine, DigStation } from './digSheet';

/** Laid as planned to this, m: a quarter of an inch. */
export const AS_PLANNED = 0.25 * METRES_PER_INCH;
/** What a rod cannot tell, m: no reading is a back fall for less. */
const AS_READ = 0.001;

export interface Laid {
  run: string;
  /** m up the line, and the invert read there, m. */
  up: number;
  level: number;
}

export interface Judged {
  state: 'right' | 'high' | 'low' | 'backFall';
  /** Laid less planned, m. */
  off: number;
  /** Of a back fall: how much lower it lies than what was laid below it, m. */
  back: number;
  /** The pipe between it and what lies below, where that is flatter than the least; null where it is not, or falls back. */
  flat: Flat | null;
  rest: Rest | null;
}

/** Pipe that lies too flat: its length, m, its pitch and the least that is asked, m/m. */
export interface Flat {
  length: number;
  pitch: number;
  least: number;
}

/** The pipe from a reading up to its run's head, not laid yet. */
export interface Rest {
  head: string;
  length: number;
  /** Pitch that meets the head as planned, m/m; the least that is asked. */
  pitch: number;
  least: number;
  /** How far the head must be raised so that the rest falls at its least pitch, m; 0 where it need not. */
  raise: number;
  /** Cover left at the head then, m, and the least asked there. */
  cover: number;
  leastCover: number;
  /** Whether the rest can be laid with both. */
  drains: boolean;
}

/** What was read on a line's pipes, m up it. */
export function laidOn(job: Job, line: DigLine): Laid[] {
  return line.runs.flatMap((id) => {
    const laid = elementOf(job, 'run', id)?.laid ?? [];
    const station = line.stations.find(({ run }) => run === id)!;
    const head = station.up + station.along;
    return laid.map(({ along, level }) => ({ run: id, up: head - along, level }));
  });
}

/** Read as exactly as this, m, a level is another station's: an eighth of an inch. */
const ITS_OWN = 0.125 * METRES_PER_INCH;

/** The nearest station of a line whose invert was read, where that is not right for the station that it is told of: the rod may stand there. */
export function readElsewhere(line: DigLine, station: DigStation, level: number): DigStation | null {
  if (Math.abs(level - station.invert) <= AS_PLANNED) return null;
  const others = line.stations.filter(
    (other) => Math.abs(other.up - station.up) > AS_PLANNED && Math.abs(other.invert - level) <= ITS_OWN,
  );
  const away = (other: DigStation): number => Math.abs(other.up - station.up);
  return others.reduce<DigStation | null>((best, each) => (best && away(best) <= away(each) ? best : each), null);
}

/** What of a run's plan the rest is judged by. */
type HeadOf = Pick<RunPlan, 'from' | 'length' | 'invertUp' | 'invertDown' | 'leastPitch' | 'coverUp' | 'leastCover'>;

/**
 * Judges a reading at a station against the plan and what was laid below it. `others` are the other readings of the line; `run` is the plan
 * of the station's own.
 */
export function judgeLaid(station: DigStation, level: number, others: readonly Laid[], run: HeadOf): Judged {
  const off = level - station.invert;
  const below = others
    .filter(({ up }) => up < station.up - 1e-6)
    .reduce((most, each) => Math.max(most, each.level), -Infinity);
  const back = Math.max(0, below - level);
  const above = others.some(({ up }) => up > station.up + 1e-6);
  const state = back > AS_READ ? 'backFall' : off > AS_PLANNED ? 'high' : off < -AS_PLANNED ? 'low' : 'right';
  const flat = state === 'backFall' ? null : flatBelow(station, level, others, run);
  return { state, off, back, flat, rest: above || station.along <= 1e-6 ? null : restOf(station, level, run) };
}

/** To the nearest reading below on its own run, or that run's foot as planned. */
function flatBelow(
  { run: id, along, up }: DigStation,
  level: number,
  others: readonly Laid[],
  run: HeadOf,
): Flat | null {
  const read = others
    .filter((other) => other.run === id && other.up < up - 1e-6)
    .reduce<Laid | null>((near, each) => (near && near.up >= each.up ? near : each), null);
  const length = read ? up - read.up : run.length - along;
  if (length <= AS_PLANNED) return null;
  const pitch = (level - (read?.level ?? run.invertDown)) / length;
  // Flatter by no more than a rod can tell is as asked.
  return pitch * length < run.leastPitch * length - AS_READ ? { length, pitch, least: run.leastPitch } : null;
}

function restOf({ along }: DigStation, level: number, run: HeadOf): Rest {
  const { from, invertUp, leastPitch, coverUp, leastCover } = run;
  const pitch = (invertUp - level) / along;
  const raise = Math.max(0, level + leastPitch * along - invertUp);
  const cover = coverUp - raise;
  return {
    head: from,
    length: along,
    pitch,
    least: leastPitch,
    raise,
    cover,
    leastCover,
    drains: raise <= AS_READ || cover >= leastCover - 1e-6,
  };
}
