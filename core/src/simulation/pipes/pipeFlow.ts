/**
 * Water in a tree of pipes over time, with a free surface and under pressure in one scheme that keeps volume exactly: volumes in cells,
 * flows through faces between them (Casulli & Stelling 2013, Int. J. Numer. Meth. Fluids 73).
 *
 *     landing        cells of a run              landing
 *     |  V  |───Q───( V )──Q──( V )──Q──( V )───Q───|  V  |──▶
 *
 * A face's momentum over a step dt, with friction and the fall of the water's surface at the step's end:
 *     (1 + dt γ) Q' = Q − g A dt (η'below − η'above)/dx,     γ = g n² |Q| / (A R^(4/3)) + K |Q| / (2 A dx)
 * put into every cell's V(η') = V + dt (Q'in − Q'out + what enters) gives one equation a cell in η'. V bends both ways, over and under
 * half of a pipe: Newton's rounds, each a tree of equations eliminated from the leaves to the root, stop at the half and at the crown, so that
 * none jumps over what is sought. (Nested rounds, which need no such stop, were tried first: on 226 runs they took 50 ms a step, these 6.) No step is too long to be
 * stable; accuracy asks for a second or two while things move.
 *
 * As in the steady water line (`network/waterLine.ts`) the level is carried from a landing into its pipe without a velocity head, a
 * landing's loss K stands on its leaving run's head, and where a pipe begins or ends over lower water the flow there is critical.
 */
import { GRAVITY } from '../../units/constants';
import { criticalUnder, exitLossAt, mostPast, type RunEnd } from './pipeEnd';
import { FOOT, HEAD, INNER, PipeGrid, type PipeNode, type PipeRun } from './pipeGrid';
import { areaAt, radiusAt } from './roundSection';

/** Shallower than so a face carries nothing, m. */
const DRY = 1e-6;
const ROUNDS = 60;
/** K of a narrow place on the speed in it: what a sharp hole loses, 1/0.62² − 1. */
const ORIFICE = 1.6;
/** A step that comes to no end is taken in halves, quarters, at most so many parts. */
const MOST_PARTS = 16;
/** Of a step’s volumes, m³: nearer than this all cells balance. */
const TOLERANCE = 1e-8;

export class PipeFlow extends PipeGrid {
  /** Level (m) and volume (m³) of each cell; flow through each face, m³/s, down the run. */
  readonly level: Float64Array;
  readonly volume: Float64Array;
  readonly flow: Float64Array;
  /** Of each run the share of its section that is open: less than 1 where it is crushed or full of roots. */
  readonly open: Float64Array;
  /** Rounds of the last step, and whether it came to an end. */
  rounds = 0;
  converged = true;

  private readonly constant: Float64Array;
  private readonly byUp: Float64Array;
  private readonly byDown: Float64Array;
  private readonly diagonal: Float64Array;
  private readonly right: Float64Array;
  /** Surface of each cell as this round began, m². */
  private readonly wide: Float64Array;
  private readonly known: Float64Array;
  private readonly next: Float64Array;
  /** Levels, volumes and flows before a step. */
  private readonly was: readonly Float64Array[];

  constructor(nodes: readonly PipeNode[], runs: readonly PipeRun[]) {
    super(nodes, runs);
    const ofCells = (): Float64Array => new Float64Array(this.cells);
    const ofFaces = (): Float64Array => new Float64Array(this.faces);
    this.level = Float64Array.from(this.bottom);
    [this.volume, this.diagonal, this.right, this.wide] = [ofCells(), ofCells(), ofCells(), ofCells()];
    [this.known, this.next] = [ofCells(), ofCells()];
    [this.flow, this.constant, this.byUp, this.byDown] = [ofFaces(), ofFaces(), ofFaces(), ofFaces()];
    this.was = [ofCells(), ofCells(), ofFaces()];
    this.open = new Float64Array(runs.length).fill(1);
  }

  /** Flow that leaves a landing by its own run, m³/s; 0 where none does. */
  leavingFlow(node: number): number {
    const face = this.leaving[node]!;
    return face < 0 ? 0 : this.flow[face]!;
  }

  /** Depth of the water in a cell, m. */
  depthIn(cell: number): number {
    return Math.max(0, this.level[cell]! - this.bottom[cell]!);
  }

  /** How deep a run is where it is deepest, over its width; more than 1 under pressure. */
  fullness(run: number): number {
    let most = 0;
    for (let k = 0; k < this.cellsOf[run]!; k++) most = Math.max(most, this.depthIn(this.firstCell[run]! + k));
    return most / this.runs[run]!.diameter;
  }

  /** Puts a cell at a level. */
  setLevel(cell: number, level: number): void {
    this.level[cell] = level;
    this.volume[cell] = this.volumeAt(cell, level);
  }

  /** All water in it, m³. */
  get stored(): number {
    let sum = 0;
    for (const volume of this.volume) sum += volume;
    return sum;
  }

  /** What each face would carry as a line in the levels at its two ends: Q' = constant + byUp η'above − byDown η'below. */
  private linearise(dt: number): void {
    for (let face = 0; face < this.flow.length; face++) this.lineariseFace(face, dt);
  }

  private lineariseFace(face: number, dt: number): void {
    const [above, below] = [this.up[face]!, this.down[face]!];
    const run = this.runs[this.faceRun[face]!]!;
    const { diameter, roughness, parallel } = run;
    const [high, low] = [this.level[above]!, this.level[below]!];
    const floor = this.faceFloor[face]!;
    const kind = this.faceKind[face]!;
    const over = Math.max(high, low) - floor;
    this.constant[face] = this.byUp[face] = this.byDown[face] = 0;
    // Where a pipe is crushed or full of roots is told of its run as a whole: it is laid into its head.
    const free = kind === HEAD ? this.open[this.faceRun[face]!]! : 1;
    if (over <= DRY || free <= 0) return;
    // In its head a pipe is as deep as its own water, which has lost the landing's head, and no shallower than critical.
    const depth =
      kind === HEAD && high > low ? Math.max(low - floor, criticalUnder(diameter, over, this.faceLoss[face]!)) : over;
    const one = areaAt(diameter, Math.min(depth, diameter));
    const area = one * parallel * free;
    const flow = this.flow[face]!;
    const radius = radiusAt(diameter, depth);
    const dx = this.faceLength[face]!;
    const loss = (kind === FOOT ? exitLossAt(run, low) : this.faceLoss[face]!) + ORIFICE * (1 - free);
    const throat = kind === HEAD ? (run.throat ?? 0) : 0;
    const friction =
      (GRAVITY * roughness ** 2 * Math.abs(flow)) / (area * Math.cbrt(radius) ** 4) +
      (loss * Math.abs(flow)) / (2 * area * dx) +
      (GRAVITY * throat * area * Math.abs(flow)) / (parallel ** 2 * dx);
    const damp = 1 + dt * friction;
    const drive = (GRAVITY * area * dt) / (dx * damp);
    this.constant[face] = flow / damp;
    this.byUp[face] = this.byDown[face] = drive;
    if (kind === INNER || high <= floor || low >= high) return;
    // Falling free: no more than what is critical at the depth above, or runs uniformly where the pipe is steep.
    const head = high - floor;
    const end: RunEnd = { run, isHead: kind === HEAD, loss: this.faceLoss[face]! };
    const most = free * mostPast(end, head, throat);
    if (flow / damp + drive * (high - low) <= most) return;
    const slope = (free * mostPast(end, head * 1.01, throat) - most) / (head * 0.01);
    this.byUp[face] = slope;
    this.byDown[face] = 0;
    this.constant[face] = most - slope * high;
  }

  /**
   * One step of `dt` s. `enters`: m³/s by landing. `held`: level (m) that a way out is held at by what it lets out into; NaN of a landing
   * that is not held. Gives what left through held ways out, m³, less what came in there. A step that does not converge is taken in halves.
   */
  step(dt: number, enters: ArrayLike<number>, held: ArrayLike<number>): number {
    const now = [this.level, this.volume, this.flow];
    this.was.forEach((was, k) => was.set(now[k]!));
    for (let parts = 1; ; parts *= 2) {
      let left = 0;
      let all = true;
      for (let k = 0; k < parts; k++) {
        left += this.advance(dt / parts, enters, held);
        all &&= this.converged;
      }
      this.converged = all;
      if (all || parts >= MOST_PARTS) return left;
      now.forEach((each, k) => each.set(this.was[k]!));
    }
  }

  private advance(dt: number, enters: ArrayLike<number>, held: ArrayLike<number>): number {
    this.linearise(dt);
    const { level, volume, known, next, nodes } = this;
    for (let k = 0; k < level.length; k++) {
      known[k] = volume[k]! + (k < nodes.length ? dt * enters[k]! : 0);
      next[k] = k < nodes.length && !Number.isNaN(held[k]!) ? held[k]! : Math.max(level[k]!, this.bottom[k]!);
      // A dry landing that water comes to: a level from which its surface is seen.
      if (k < nodes.length && known[k]! > 0 && volume[k]! <= 0)
        next[k] = Math.max(next[k]!, this.bottom[k]! + known[k]! / nodes[k]!.area);
    }
    this.solve(dt, held);
    let left = 0;
    for (let face = 0; face < this.flow.length; face++) {
      const [above, below] = [this.up[face]!, this.down[face]!];
      this.flow[face] = this.constant[face]! + this.byUp[face]! * next[above]! - this.byDown[face]! * next[below]!;
      known[above]! -= dt * this.flow[face]!;
      known[below]! += dt * this.flow[face]!;
    }
    for (let k = 0; k < level.length; k++) {
      level[k] = next[k]!;
      if (k < nodes.length && !Number.isNaN(held[k]!)) {
        this.setLevel(k, held[k]!);
        left += known[k]! - volume[k]!;
      } else volume[k] = known[k]!;
    }
    return left;
  }

  /** Newton from where the water stood, no round going past where a pipe's volume begins to bend the other way. */
  private solve(dt: number, held: ArrayLike<number>): void {
    this.rounds = 0;
    this.converged = false;
    while (this.rounds < ROUNDS && !this.converged) {
      this.converged = this.newton(dt, held);
      this.rounds++;
    }
  }

  private newton(dt: number, held: ArrayLike<number>): boolean {
    const { next, diagonal, right, known, nodes, wide } = this;
    for (let k = 0; k < next.length; k++) {
      if (k < nodes.length && !Number.isNaN(held[k]!)) {
        [diagonal[k], right[k]] = [1, held[k]!];
        continue;
      }
      const [volume, surface] = [this.volumeAt(k, next[k]!), this.surfaceAt(k, next[k]!)];
      diagonal[k] = surface;
      wide[k] = surface;
      right[k] = known[k]! - volume + surface * next[k]!;
    }
    return this.eliminate(dt, held);
  }

  /** Solves the tree of equations, from the leaves to the root and back. Gives whether nothing moved any more. */
  private eliminate(dt: number, held: ArrayLike<number>): boolean {
    const { next, diagonal, right, order, leaving, nodes, wide } = this;
    const isHeld = (k: number): boolean => k < nodes.length && !Number.isNaN(held[k]!);
    for (let face = 0; face < this.flow.length; face++) {
      const [above, below] = [this.up[face]!, this.down[face]!];
      const [a, b, c] = [dt * this.byUp[face]!, dt * this.byDown[face]!, dt * this.constant[face]!];
      if (!isHeld(above)) {
        diagonal[above]! += a;
        right[above]! -= c;
      }
      if (!isHeld(below)) {
        diagonal[below]! += b;
        right[below]! += c;
      }
    }
    let wetted = false;
    for (const k of order) {
      if (diagonal[k]! <= 0) {
        // Dry, and nothing pulls at it: it stays so, or what comes is seen from its floor on.
        wetted ||= right[k]! > TOLERANCE;
        [diagonal[k], right[k]] = [
          1,
          right[k]! > TOLERANCE ? this.bottom[k]! + this.seenFrom(k) : Math.min(next[k]!, this.bottom[k]!),
        ];
      }
      const face = leaving[k]!;
      if (face < 0) continue;
      const below = this.down[face]!;
      if (isHeld(below)) continue;
      // What the cell below gets of this one's level: dt byUp η'above, with η'above = (right + dt byDown η'below) / diagonal.
      const gives = (dt * this.byUp[face]!) / diagonal[k]!;
      const takes = isHeld(k) ? 0 : dt * this.byDown[face]!;
      diagonal[below]! -= gives * takes;
      right[below]! += gives * right[k]!;
    }
    let moved = 0;
    for (let at = order.length - 1; at >= 0; at--) {
      const k = order[at]!;
      const face = leaving[k]!;
      const pulls = face < 0 || isHeld(k) ? 0 : dt * this.byDown[face]! * next[this.down[face]!]!;
      const level = this.within(k, next[k]!, (right[k]! + pulls) / diagonal[k]!);
      moved = Math.max(moved, Math.abs(level - next[k]!) * wide[k]!);
      next[k] = level;
    }
    return moved < TOLERANCE && !wetted;
  }
}
