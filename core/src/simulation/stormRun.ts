/** A storm told as it goes: pictures at even times, and at its end what was highest, where and when. */
import { placeOf } from '../ground/grid';
import { around } from '../ground/ponds';
import type { Job } from '../job/job';
import type { Place } from '../site/place';
import type { Plan } from '../verdict/planJob';
import type { Balance } from './balance';
import { currentsOf } from './ground/currents';
import type { LedWater } from './ends/led';
import { lengthOfRain, type Rainfall } from './rain/rainfall';
import type { Mouth } from './mouth';
import type { GutterWater } from './shedding';
import { Simulation, type StormIn } from './simulation';
import { Banks, type BankWatched } from './told/banks';
import { Watched, type DoorWatched } from './told/watched';

/** Everything at one time: by landing the water's level, m, and what stands over it; by run how full it is; by cell how deep, mm, 255 at most. */
export interface StormFrame {
  /** s */
  time: number;
  /** m/s of rain. */
  rain: number;
  levels: Float32Array;
  depths: Float32Array;
  fullness: Float32Array;
  flows: Float32Array;
  ground: Uint8Array | null;
  /** By arrow its cell, and what runs there to the east and to the north, m²/s. */
  currents: Float32Array | null;
}

export interface StormGrid {
  cols: number;
  rows: number;
  cell: number;
  east: number;
  north: number;
}

export interface PondSeen {
  place: Place;
  /** m, when it was so deep, s, and from when on it is gone; null where it still stands at the end. */
  deepest: number;
  at: number;
  dryAt: number | null;
}

/** What the figures of the pictures belong to, known before the first. */
export interface StormSeen {
  /** By picture of a landing and of a run, their ids. */
  landings: readonly string[];
  runs: readonly string[];
  grid: StormGrid | null;
  /** s that the storm is followed for. */
  length: number;
}

/** m, s and m³ of one landing. */
export interface LandingTold {
  id: string;
  /** Highest water over it, and when. */
  peak: number;
  at: number;
  /** Let straight into it: out of a leader, a tap, a drain. */
  entered: number;
  /** Taken in, run on past it, of that while its line was full, and come up out of it. */
  captured: number;
  passed: number;
  passedFull: number;
  cameUp: number;
  /** With more over it than is allowed; and with its line too full to take what its grate would. */
  secondsOver: number;
  secondsFull: number;
}

export interface StormTold {
  rain: Rainfall;
  /** s that it is followed for, and how far it came. */
  length: number;
  reached: number;
  balance: Balance;
  /** Landings and runs in the order of the frames' figures. */
  landings: readonly LandingTold[];
  runs: readonly { id: string; fullest: number; secondsUnderPressure: number }[];
  doors: readonly DoorWatched[];
  /** Swales, culverts and berms that lead water on. */
  led: readonly LedWater[];
  /** Those drawn on measured ground, and berms there. */
  banks: readonly BankWatched[];
  gutters: readonly GutterWater[];
  /** m³ that pipes brought to each way out, by id. */
  ends: readonly { id: string; came: number }[];
  ponds: readonly PondSeen[];
  grid: StormGrid | null;
  frames: readonly StormFrame[];
  /** Steps in which the pipes’ water was hard to find. */
  hard: number;
}

/** Pictures in a storm. */
const FRAMES = 90;
/** After the rain, s: an hour. */
export const AFTER = 3600;
/** A day of rain is the longest that is followed, s. */
export const LONGEST = 86_400;
/** Water that has not risen for so long falls, s. */
const FALLS = 600;
/** Ponds shallower than so are not told, m; and how many are. */
const POND = 0.03;
const DRY = 0.005;
const TOLD = 8;

export class StormRun {
  readonly simulation: Simulation;
  readonly length: number;
  readonly frames: StormFrame[] = [];
  private readonly watched: Watched;
  private readonly banks: Banks;
  private readonly every: number;

  /** `length`: s, with what comes after the rain; an hour after it where nothing is said. */
  constructor(
    job: Job,
    plan: Plan,
    private readonly given: StormIn & { length?: number },
  ) {
    this.simulation = new Simulation(job, plan, given);
    this.length = Math.min(LONGEST, given.length ?? lengthOfRain(given.rain) + AFTER);
    this.every = this.length / FRAMES;
    this.watched = new Watched(plan.here ?? job, plan, this.simulation);
    this.banks = new Banks(plan.here ?? job, this.simulation.ground);
    this.picture();
  }

  get seen(): StormSeen {
    const { pipes, ground } = this.simulation;
    const grid = ground && (({ cols, rows, cell, east, north }) => ({ cols, rows, cell, east, north }))(ground.grid);
    return { landings: pipes.ids, runs: pipes.runIds, grid, length: this.length };
  }

  get isOver(): boolean {
    return this.simulation.time >= this.length;
  }

  /** Whether rain and all that fails in it are over or under way, and nothing has come higher for some while: what is highest is known. */
  get hasPeaked(): boolean {
    const { time, peaks } = this.simulation;
    const { rain, failing } = this.given;
    const begins = failing.flatMap(({ from = 0, to = 0 }) => [from, Number.isFinite(to) ? to : 0]);
    const last = Math.max(lengthOfRain(rain), peaks.rose, ...this.watched.doors.map(({ at }) => at), ...begins);
    return time > last + FALLS;
  }

  /** Goes on to the next picture. */
  advance(): void {
    const { simulation } = this;
    const until = Math.min(this.length, this.frames.length * this.every);
    while (simulation.time < until) {
      simulation.step();
      this.watched.note(simulation.time);
      this.banks.note(simulation.time);
    }
    this.picture();
  }

  private picture(): void {
    const { time, pipes, mouths, ground } = this.simulation;
    const { water } = pipes;
    const depths = new Float32Array(pipes.ids.length);
    for (const mouth of mouths) depths[mouth.index] = mouth.standing(water);
    const { step, intensities } = this.given.rain;
    this.frames.push({
      time,
      rain: intensities[Math.min(intensities.length, Math.floor(time / step))] ?? 0,
      levels: Float32Array.from(pipes.ids, (_, k) => water.level[k]!),
      depths,
      fullness: Float32Array.from(pipes.runIds, (_, k) => water.fullness(k)),
      flows: Float32Array.from(pipes.runIds, (_, k) => water.flow[water.firstFace[k]! + water.cellsOf[k]!]!),
      ground: ground && Uint8Array.from(ground.flow.depth, (depth) => Math.min(255, Math.round(depth * 1000))),
      currents: ground && currentsOf(ground.flow),
    });
  }

  get told(): StormTold {
    const { pipes, peaks, mouths, balance, time, hard } = this.simulation;
    const byIndex = new Map(mouths.map((mouth) => [mouth.index, mouth]));
    return {
      rain: this.given.rain,
      length: this.length,
      reached: time,
      balance,
      landings: pipes.ids.map((id, k) => ({
        id,
        peak: peaks.depth[k]!,
        at: peaks.at[k]!,
        entered: this.simulation.entered[k]!,
        ...wateredBy(byIndex.get(k)),
        secondsOver: peaks.over[k]!,
      })),
      runs: pipes.runIds.map((id, k) => ({ id, fullest: peaks.fullest[k]!, secondsUnderPressure: peaks.pressed[k]! })),
      doors: this.watched.doors.map(({ id, sill, margin, at }) => ({ id, sill, margin, at })),
      led: this.simulation.led.told,
      banks: this.banks.told,
      gutters: this.simulation.shedding.gutters,
      ends: this.simulation.ends.came,
      ponds: this.ponds(),
      grid: this.seen.grid,
      frames: [...this.frames],
      hard,
    };
  }

  /** Joined cells that stood deeper than is worth a word, each by its deepest. */
  private ponds(): PondSeen[] {
    const { ground, peaks } = this.simulation;
    if (!ground) return [];
    const { grid } = ground;
    const seen = new Uint8Array(grid.levels.length);
    const found: PondSeen[] = [];
    for (const start of ground.flow.cells) {
      if (seen[start] || peaks.ground[start]! < POND) continue;
      seen[start] = 1;
      const cells = [start];
      for (const at of cells)
        for (const beside of around(grid, at))
          if (!seen[beside] && peaks.ground[beside]! >= POND) {
            seen[beside] = 1;
            cells.push(beside);
          }
      const deepest = cells.reduce((most, at) => (peaks.ground[at]! > peaks.ground[most]! ? at : most));
      found.push({
        place: placeOf(grid, deepest),
        deepest: peaks.ground[deepest]!,
        at: peaks.groundAt[deepest]!,
        dryAt: this.dryFrom(deepest),
      });
    }
    return found.sort((a, b) => b.deepest - a.deepest).slice(0, TOLD);
  }

  /** Time (s) of the first picture from which on a cell is dry; null where it is not at the end. */
  private dryFrom(cell: number): number | null {
    const last = this.frames.findLastIndex(({ ground }) => ground![cell]! > DRY * 1000);
    return this.frames[last + 1]?.time ?? null;
  }
}

function wateredBy(
  mouth: Mouth | undefined,
): Pick<LandingTold, 'captured' | 'passed' | 'passedFull' | 'cameUp' | 'secondsFull'> {
  if (!mouth) return { captured: 0, passed: 0, passedFull: 0, cameUp: 0, secondsFull: 0 };
  const { captured, passed, passedFull, cameUp, secondsFull } = mouth;
  return { captured, passed, passedFull, cameUp, secondsFull };
}

/** A whole storm at once. */
export function runStorm(job: Job, plan: Plan, given: StormIn & { length?: number }): StormTold {
  const run = new StormRun(job, plan, given);
  while (!run.isOver) run.advance();
  return run.told;
}
