/** The highest that everything came to in a storm, and when. */
import type { Settings } from '../../job/settings';
import type { JobGround } from '../ground/groundOfJob';
import type { Mouth } from '../mouth';
import type { JobPipes } from '../pipes/pipesOf';

interface Watched {
  readonly mouths: readonly Mouth[];
  readonly pipes: JobPipes;
  readonly ground: JobGround | null;
  readonly dt: number;
  readonly time: number;
}

export class Peaks {
  /** By landing: highest water over its rim or the ground there, m; when, s; and s with more over it than is allowed. */
  readonly depth: Float64Array;
  readonly at: Float64Array;
  readonly over: Float64Array;
  /** By run: fullest, as a share of its width, at most 1; and s under pressure. */
  readonly fullest: Float64Array;
  readonly pressed: Float64Array;
  /** When anything over an inlet last came higher, s. */
  rose = 0;
  /** By cell of the ground: deepest, m, and when, s. */
  readonly ground: Float64Array;
  readonly groundAt: Float64Array;

  constructor(
    private readonly of: Watched,
    private readonly settings: Settings,
  ) {
    const floats = (count: number): Float64Array => new Float64Array(count);
    const { ids, runIds } = of.pipes;
    [this.depth, this.at, this.over] = [floats(ids.length), floats(ids.length), floats(ids.length)];
    [this.fullest, this.pressed] = [floats(runIds.length), floats(runIds.length)];
    const cells = of.ground?.grid.levels.length ?? 0;
    [this.ground, this.groundAt] = [floats(cells), floats(cells)];
  }

  /** Notes what stands now. */
  note(): void {
    const { mouths, pipes, time, dt, ground } = this.of;
    const { water } = pipes;
    for (const mouth of mouths) {
      const { index } = mouth;
      const depth = mouth.standing(water);
      if (depth > this.depth[index]! + HIGHER) this.rose = time;
      if (depth > this.depth[index]!) [this.depth[index], this.at[index]] = [depth, time];
      if (depth > this.settings.ponding) this.over[index]! += dt;
    }
    for (let run = 0; run < pipes.runIds.length; run++) {
      const full = water.fullness(run);
      this.fullest[run] = Math.max(this.fullest[run]!, Math.min(1, full));
      if (full > PRESSED) this.pressed[run]! += dt;
    }
    if (!ground) return;
    const { depth, cells } = ground.flow;
    for (let k = 0; k < cells.length; k++) {
      const at = cells[k]!;
      if (depth[at]! > this.ground[at]!) [this.ground[at], this.groundAt[at]] = [depth[at]!, time];
    }
  }
}

/** Higher by less than so in a step is no rise, m. */
const HIGHER = 1e-6;
/** Water stands so far over a pipe's crown, as a share of its width, once it is under pressure. */
const PRESSED = 1.05;
