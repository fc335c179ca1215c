/**
 * Water in a tree of pipes over time, with a free surface and under pressure in one scheme that keeps volume exactly: volumes in cells,
 * flows through faces between them (Casulli & Stelling 2013, Int. J. Numer. Meth. Fluids 73).
 *
 *     landing        cells of a run              landing
 *     |  V  |───Q───( V )──Q──( V )──Q──( V )───Q───|  V  |──▶
 *
 * A face's momentum over a step dt, with friction and the fall of the water's surface at the step's end:
 *     (1 + 2 dt γ) Q' = (1 + dt γ) Q − g A dt (η'below − η'above)/dx,     γ = g n² |Q| / (A R^(4/3)) + K |Q| / (2 A dx)
 * put into every cell's V(η') = V + dt (Q'in − Q'out + what enters) gives one equation a cell in η'. V bends both ways, over and under
 * half of a pipe: Newton's rounds, each a tree of equations eliminated from the leaves to the root, stop at the half and at the crown, so that
 * none jumps over what is sought. (Nested rounds, which need no such stop, were tried first: on 226 runs they took 50 ms a step, these 3.) No step is too long to be
 * stable; accuracy asks for a second or two while things move.
 *
 * As in the steady water line (`network/waterLine.ts`) the level is carried from a landing into its pipe without a velocity head, a
 * landing's loss K stands on its leaving run's head, and where a pipe begins or ends over lower water the flow there is critical.
 */
import type { PipeNode, PipeRun } from './pipeGrid';
import { PipeWater } from './pipeWater';

const ROUNDS = 60;
/** A step that comes to no end is taken in halves, quarters, at most so many parts. */
const MOST_PARTS = 16;
/** Of a step’s volumes, m³: nearer than this all cells balance. */
const TOLERANCE = 1e-6;

export class PipeFlow extends PipeWater {
  /** Rounds of the last step, and whether it came to an end. */
  rounds = 0;
  converged = true;

  private readonly diagonal: Float64Array;
  private readonly right: Float64Array;
  private readonly known: Float64Array;
  private readonly next: Float64Array;
  /** 1 of a landing that is held at a level in this step. */
  private readonly isHeld: Uint8Array;
  /** Levels, volumes and flows before a step. */
  private readonly was: readonly Float64Array[];

  constructor(nodes: readonly PipeNode[], runs: readonly PipeRun[]) {
    super(nodes, runs);
    const ofCells = (): Float64Array => new Float64Array(this.cells);
    [this.diagonal, this.right, this.known, this.next] = [ofCells(), ofCells(), ofCells(), ofCells()];
    this.isHeld = new Uint8Array(this.cells);
    this.was = [ofCells(), ofCells(), new Float64Array(this.faces)];
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
    const { level, volume, known, next, nodes, isHeld } = this;
    for (let k = 0; k < level.length; k++) {
      known[k] = volume[k]! + (k < nodes.length ? dt * enters[k]! : 0);
      isHeld[k] = k < nodes.length && !Number.isNaN(held[k]!) ? 1 : 0;
      next[k] = isHeld[k] === 1 ? held[k]! : Math.max(level[k]!, this.bottom[k]!);
      // A dry landing that water comes to: a level from which its surface is seen.
      if (k < nodes.length && known[k]! > 0 && volume[k]! <= 0)
        next[k] = Math.max(next[k]!, this.bottom[k]! + known[k]! / nodes[k]!.area);
    }
    this.solve(dt);
    let left = 0;
    for (let face = 0; face < this.flow.length; face++) {
      const above = this.up[face]!;
      const below = this.down[face]!;
      this.flow[face] = this.constant[face]! + this.byUp[face]! * next[above]! - this.byDown[face]! * next[below]!;
      known[above]! -= dt * this.flow[face]!;
      known[below]! += dt * this.flow[face]!;
    }
    for (let k = 0; k < level.length; k++) {
      level[k] = next[k]!;
      if (isHeld[k] === 1) {
        this.setLevel(k, held[k]!);
        left += known[k]! - volume[k]!;
      } else volume[k] = known[k]!;
    }
    return left;
  }

  /** Newton from where the water stood, no round going past where a pipe's volume begins to bend the other way; each tree by itself. */
  private solve(dt: number): void {
    this.rounds = 0;
    this.converged = true;
    for (const tree of this.trees) {
      let rounds = 0;
      let done = false;
      while (rounds < ROUNDS && !done) {
        this.equations(tree, dt);
        done = this.eliminate(tree, dt);
        rounds++;
      }
      this.rounds = Math.max(this.rounds, rounds);
      this.converged &&= done;
    }
  }

  /** One equation a cell of a tree: what it holds, and what runs in and out, as a line in the levels. */
  private equations(tree: Int32Array, dt: number): void {
    const { next, diagonal, right, known, surface, isHeld, leaving, down, byUp, byDown, constant } = this;
    for (let at = 0; at < tree.length; at++) {
      const k = tree[at]!;
      const level = next[k]!;
      if (isHeld[k] === 1) {
        diagonal[k] = surface[k] = 1;
        right[k] = level;
        continue;
      }
      const volume = this.volumeAndSurface(k, level);
      diagonal[k] = surface[k]!;
      right[k] = known[k]! - volume + surface[k]! * level;
    }
    for (let at = 0; at < tree.length; at++) {
      const k = tree[at]!;
      const face = leaving[k]!;
      if (face < 0) continue;
      const below = down[face]!;
      if (isHeld[k] === 0) {
        diagonal[k]! += dt * byUp[face]!;
        right[k]! -= dt * constant[face]!;
      }
      if (isHeld[below] === 0) {
        diagonal[below]! += dt * byDown[face]!;
        right[below]! += dt * constant[face]!;
      }
    }
  }

  /** Solves a tree of equations, from the leaves to the root and back. Gives whether nothing moved any more. */
  private eliminate(tree: Int32Array, dt: number): boolean {
    const { next, diagonal, right, leaving, surface, isHeld, down, byUp, byDown } = this;
    let wetted = false;
    for (let at = 0; at < tree.length; at++) {
      const k = tree[at]!;
      if (diagonal[k]! <= 0) {
        // Dry, and nothing pulls at it: it stays so, or what comes is seen from its floor on.
        const comes = right[k]! > TOLERANCE;
        wetted ||= comes;
        diagonal[k] = 1;
        right[k] = comes ? this.bottom[k]! + this.seenFrom(k) : Math.min(next[k]!, this.bottom[k]!);
      }
      const face = leaving[k]!;
      if (face < 0) continue;
      const below = down[face]!;
      if (isHeld[below] === 1) continue;
      // What the cell below gets of this one's level: dt byUp η'above, with η'above = (right + dt byDown η'below) / diagonal.
      const gives = (dt * byUp[face]!) / diagonal[k]!;
      if (isHeld[k] === 0) diagonal[below]! -= gives * dt * byDown[face]!;
      right[below]! += gives * right[k]!;
    }
    let moved = 0;
    for (let at = tree.length - 1; at >= 0; at--) {
      const k = tree[at]!;
      const face = leaving[k]!;
      const pulls = face < 0 || isHeld[k] === 1 ? 0 : dt * byDown[face]! * next[down[face]!]!;
      const level = this.within(k, next[k]!, (right[k]! + pulls) / diagonal[k]!);
      moved = Math.max(moved, Math.abs(level - next[k]!) * surface[k]!);
      next[k] = level;
    }
    return moved < TOLERANCE && !wetted;
  }
}
