/**
 * Water that runs down a swale or through a culvert over time: cut into cells, each of which holds water by its section and lets it on as it
 * would run there evenly (kinematic wave, Lighthill & Whitham 1955), each step at its end, so that none is too long to be stable. What stands
 * over the bank runs off there.
 */

/** Section of a reach: wetted area (m²) and flow (m³/s) at rising depths (m), the first 0, the last brimful. */
export interface ReachSection {
  depths: readonly number[];
  areas: readonly number[];
  flows: readonly number[];
}

export interface ReachIn extends ReachSection {
  /** m */
  length: number;
  /** m² of water over bed that takes it in, per m at each depth, times how fast that soil does, m/s; nothing when absent. */
  soaking?: (depth: number) => number;
}

/** Cells: so long each, m, and at least and at most so many. */
const CELL = 4;
const [FEWEST, MOST] = [2, 24];

export class Reach {
  /** m³ in each cell, the uppermost first. */
  private readonly cells: Float64Array;
  private readonly dx: number;
  /** Deepest so far, m, and when, s; m³ that ran over its bank so far. */
  deepest = 0;
  at = 0;
  /** Deepest now, m. */
  depth = 0;
  spilled = 0;
  private waits = 0;

  constructor(private readonly given: ReachIn) {
    const count = Math.min(MOST, Math.max(FEWEST, Math.ceil(given.length / CELL)));
    this.cells = new Float64Array(count);
    this.dx = Math.max(0.1, given.length) / count;
  }

  /** Water comes to its head, m³. */
  take(volume: number): void {
    this.waits += volume;
  }

  get stored(): number {
    return this.cells.reduce((sum, volume) => sum + volume, this.waits);
  }

  /** One step of `dt` s ending at `time` s: m³ that leave at its foot, that run over its bank, and that sink in. */
  step(dt: number, time: number): { out: number; over: number; soaked: number } {
    let [comes, over, soaked] = [this.waits, 0, 0];
    this.waits = 0;
    this.depth = 0;
    for (let k = 0; k < this.cells.length; k++) {
      const there = this.cells[k]! + comes;
      const left = this.left(there, dt);
      const depth = this.depthAt(left / this.dx);
      const sinks = Math.min(left, (this.given.soaking?.(depth) ?? 0) * this.dx * dt);
      const brim = this.given.areas.at(-1)! * this.dx;
      const spills = Math.max(0, left - sinks - brim);
      comes = there - left;
      this.cells[k] = left - sinks - spills;
      soaked += sinks;
      over += spills;
      if (depth > this.depth) this.depth = depth;
      if (depth > this.deepest) [this.deepest, this.at] = [depth, time];
    }
    this.spilled += over;
    return { out: comes, over, soaked };
  }

  /** What is left in a cell of so much water (m³) after a step: V + dt Q(V/dx) = what was there, found between two known areas. */
  private left(there: number, dt: number): number {
    const { areas, flows } = this.given;
    for (let k = 1; k < areas.length; k++) {
      const [low, high] = [areas[k - 1]! * this.dx + dt * flows[k - 1]!, areas[k]! * this.dx + dt * flows[k]!];
      if (there <= high) {
        const share = high > low ? (there - low) / (high - low) : 0;
        return Math.min(there, (areas[k - 1]! + share * (areas[k]! - areas[k - 1]!)) * this.dx);
      }
    }
    // Over its bank it lets on what it does brimful.
    return Math.max(0, there - dt * flows.at(-1)!);
  }

  private depthAt(area: number): number {
    const { depths, areas } = this.given;
    for (let k = 1; k < areas.length; k++)
      if (area <= areas[k]!) {
        const share = (area - areas[k - 1]!) / (areas[k]! - areas[k - 1]!);
        return depths[k - 1]! + share * (depths[k]! - depths[k - 1]!);
      }
    return depths.at(-1)!;
  }
}
