/**
 * Water over the ground over time: depth in square cells, flow through the faces between them, by the local inertial form of the
 * shallow-water equations (Bates, Horritt & Fewtrell 2010, J. Hydrol. 387; centred as de Almeida et al. 2012, Water Resour. Res. 48):
 *
 *     q' = (θ q + (1 − θ)(q before + q after)/2 − g h_f dt Δη/dx) / (1 + g dt n² |q| / h_f^(7/3)),   θ = 0.8
 *
 * with h_f the higher water of the two cells over the higher ground, or over what bars the way between them. What leaves a cell is scaled
 * down where it would be more than stands there: no depth falls below naught, and volume is exact. Cells at the edge of what was measured
 * let water out as it would run down their own slope.
 */
import { GRAVITY } from '../../units/constants';
import { edgeRateOf, Faces, isGround, layFaces, type GroundIn } from './groundFaces';
import { Rim } from './rim';

const THETA = 0.8;
/** Share by which a face’s depth changes before its friction is worked out anew. */
const DRAWN = 0.01;
/** Slower than so water stands, m²/s: what dies away would go on for ever in numbers too small to reckon with fast. */
const STILL = 1e-9;
/** Shallower water than so does not run, m. */
const FILM = 1e-3;
/**
 * Share of the step in which a wave crosses a cell. On a square grid it is stable up to 0.7 (1/√2) at most: at that water that runs together from
 * four sides swung from step to step, 30 mm one way and the other; at 0.6 now and then, at 0.5 never.
 */
const COURANT = 0.5;

export class GroundFlow {
  readonly depth: Float64Array;
  readonly ground: Float64Array;
  readonly area: number;
  /** m³ that has left over the edge of what was measured. */
  left = 0;
  /** Cells that hold water and ground at all. */
  readonly cells: Int32Array;
  /** Sub-steps of the last step. */
  steps = 0;

  /**
   * Faces by the cell that they lie before: `across[k]` is the one on the west of cell k, `along[k]` that on its south, so that those on its
   * east and north are `across[k + 1]` and `along[k + cols]`. One that is barred has its sill at infinity and carries nothing.
   */
  private readonly across: Faces;
  private readonly along: Faces;
  private readonly active: Int32Array;
  /** Whether a cell is among those; none gives to one that is not, until the next step looks again. */
  private readonly runs: Uint8Array;
  private readonly share: Float64Array;
  private readonly edges: Int32Array;
  private readonly edgeRate: Float64Array;
  /** m³ that has left over each. */
  private readonly edgeLeft: Float64Array;
  private readonly rims: Rim[] = [];

  constructor(readonly given: GroundIn) {
    const { cols, cell, levels } = given;
    this.ground = levels;
    this.area = cell * cell;
    this.depth = new Float64Array(levels.length);
    this.share = new Float64Array(levels.length).fill(1);
    this.cells = Int32Array.from([...levels.keys()].filter((at) => isGround(given, at)));
    this.active = new Int32Array(this.cells.length);
    this.runs = new Uint8Array(levels.length);
    this.across = new Faces(levels.length + 2);
    this.along = new Faces(levels.length + 2 * cols);
    layFaces(given, this.cells, this.across, this.along);
    const edges: number[] = [];
    const rates: number[] = [];
    for (const at of this.cells) {
      const rate = edgeRateOf(given, at);
      if (rate === 0) continue;
      edges.push(at);
      rates.push(rate);
    }
    [this.edges, this.edgeRate] = [Int32Array.from(edges), Float64Array.from(rates)];
    this.edgeLeft = new Float64Array(edges.length);
  }

  /** Watches some cells from now on: gives what tells how much, m³, has run out of them over the ground so far. */
  watch(cells: readonly number[]): () => number {
    const inside = new Set(cells);
    const edges = [...this.edges.keys()].filter((k) => inside.has(this.edges[k]!));
    const rim = new Rim(cells, this.given.cols, edges);
    this.rims.push(rim);
    return () => rim.edges.reduce((sum, k) => sum + this.edgeLeft[k]!, rim.over);
  }

  /** All water on it, m³. */
  get stored(): number {
    let sum = 0;
    for (const at of this.cells) sum += this.depth[at]!;
    return sum * this.area;
  }

  /** Puts so much (m³) on a cell, or takes it off; gives what was taken or put. */
  give(at: number, volume: number): number {
    const most = Math.max(-this.depth[at]! * this.area, volume);
    this.depth[at]! += most / this.area;
    return most;
  }

  /** What runs over a cell's middle, m²/s to the east and to the north: of the faces on either side. */
  flowAt(at: number): readonly [number, number] {
    const [west, south] = [this.across.flow, this.along.flow];
    return [(west[at]! + west[at + 1]!) / 2, (south[at]! + south[at + this.given.cols]!) / 2];
  }

  /** Lets the water run for so long, s. */
  run(time: number): void {
    const count = this.gather();
    let left = time;
    this.steps = 0;
    while (left > 1e-9) {
      const dt = Math.min(left, this.longest(count));
      this.move(dt, count);
      left -= dt;
      this.steps++;
    }
  }

  /** Cells with water that runs, and those beside them. */
  private gather(): number {
    const { depth, active, cells, across, along, runs } = this;
    const { cols } = this.given;
    const [west, south] = [across.flow, along.flow];
    const wet = FILM / 2;
    let count = 0;
    for (let k = 0; k < cells.length; k++) {
      const at = cells[k]!;
      if (
        depth[at]! > wet ||
        depth[at + 1]! > wet ||
        depth[at - 1]! > wet ||
        depth[at + cols]! > wet ||
        depth[at - cols]! > wet
      ) {
        active[count++] = at;
        runs[at] = 1;
      } else {
        runs[at] = 0;
        west[at] = west[at + 1] = south[at] = south[at + cols] = 0;
        across.next[at] = across.next[at + 1] = along.next[at] = along.next[at + cols] = 0;
      }
    }
    return count;
  }

  private longest(count: number): number {
    let most = FILM;
    const { active, depth } = this;
    for (let k = 0; k < count; k++) if (depth[active[k]!]! > most) most = depth[active[k]!]!;
    return (COURANT * this.given.cell) / Math.sqrt(GRAVITY * most);
  }

  private move(dt: number, count: number): void {
    const { cols, cell } = this.given;
    const drive = (GRAVITY * dt) / cell;
    this.drive(this.across, { dt, drive, count, by: 1 });
    this.drive(this.along, { dt, drive, count, by: cols });
    this.limit(dt / cell, count);
    const { depth, active, share } = this;
    const [west, south] = [this.across.next, this.along.next];
    const [wasWest, wasSouth] = [this.across.flow, this.along.flow];
    const spread = dt / cell;
    for (let k = 0; k < count; k++) {
      const at = active[k]!;
      // What leaves a cell is scaled by its own share, what comes by that of the cell it comes from.
      const [w, e, s, n] = [west[at]!, west[at + 1]!, south[at]!, south[at + cols]!];
      const own = share[at]!;
      const inW = w > 0 ? w * share[at - 1]! : w * own;
      const inS = s > 0 ? s * share[at - cols]! : s * own;
      const outE = e > 0 ? e * own : e * (share[at + 1] ?? 1);
      const outN = n > 0 ? n * own : n * (share[at + cols] ?? 1);
      wasWest[at] = inW;
      wasSouth[at] = inS;
      wasWest[at + 1] = outE;
      wasSouth[at + cols] = outN;
      depth[at]! += (inW + inS - outE - outN) * spread;
    }
    for (let k = 0; k < count; k++) share[active[k]!] = 1;
    for (const rim of this.rims) rim.note(this.across, this.along, dt * cell);
    this.overEdge(dt);
  }

  /** What each face on the west, or the south, of a cell would carry after a step, m²/s. */
  private drive(
    { flow, next, sill, friction, drag, dragOf }: Faces,
    { dt, drive, count, by }: { dt: number; drive: number; count: number; by: number },
  ): void {
    const { depth, ground, active, runs } = this;
    for (let k = 0; k < count; k++) {
      const at = active[k]!;
      const floor = sill[at]!;
      const low = ground[at]! + depth[at]!;
      const high = ground[at - by]! + depth[at - by]!;
      const over = (high > low ? high : low) - floor;
      if (!(over > FILM) || runs[at - by] === 0) {
        next[at] = 0;
        continue;
      }
      const was = flow[at]!;
      // At a wall there is nothing to centre on.
      const [back, on] = [at - by, at + by];
      const centred =
        THETA * was +
        ((1 - THETA) / 2) * ((sill[back] === Infinity ? was : flow[back]!) + (sill[on] === Infinity ? was : flow[on]!));
      // A root costs more than all the rest: it is drawn anew once the depth has changed by a twentieth.
      if (Math.abs(over - dragOf[at]!) > DRAWN * over) {
        dragOf[at] = over;
        drag[at] = friction[at]! / (over * over * Math.cbrt(over));
      }
      const flows = (centred - drive * over * (low - high)) / (1 + dt * drag[at]! * Math.abs(was));
      next[at] = flows > STILL || flows < -STILL ? flows : 0;
    }
  }

  /** Cells that would give more than they have: what share of it they give. */
  private limit(spread: number, count: number): void {
    const { active, depth, share } = this;
    const { cols } = this.given;
    const [west, south] = [this.across.next, this.along.next];
    for (let k = 0; k < count; k++) {
      const at = active[k]!;
      const [w, e, s, n] = [west[at]!, west[at + 1]!, south[at]!, south[at + cols]!];
      const out = ((w < 0 ? -w : 0) + (s < 0 ? -s : 0) + (e > 0 ? e : 0) + (n > 0 ? n : 0)) * spread;
      if (out > 0 && out > depth[at]!) share[at] = Math.max(0, depth[at]!) / out;
    }
  }

  private overEdge(dt: number): void {
    const { edges, edgeRate, edgeLeft, depth, area } = this;
    for (let k = 0; k < edges.length; k++) {
      const at = edges[k]!;
      const water = depth[at]!;
      if (water <= FILM) {
        // Rounding may leave a hair less than none.
        if (water < 0) depth[at] = 0;
        continue;
      }
      // dh/dt = −c h^(5/3) has this after a step, and never passes naught.
      const after = (water ** (-2 / 3) + ((2 / 3) * edgeRate[k]! * dt) / area) ** -1.5;
      const leaves = (water - after) * area;
      this.left += leaves;
      edgeLeft[k]! += leaves;
      depth[at] = after;
    }
  }
}
