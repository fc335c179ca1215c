/** Water that stands in a tree of pipes, and what each face between two cells carries as a line in their levels. */
import { GRAVITY } from '../../units/constants';
import { deeperThanCritical, exitLossAt, mostPast, type RunEnd } from './pipeEnd';
import { FOOT, HEAD, INNER, PipeGrid, type PipeNode, type PipeRun } from './pipeGrid';
import { areaBy, conveysBy, criticalBy, frictionBy } from './roundSection';

/** Shallower than so a face carries nothing, m. */
const DRY = 1e-6;
/** K of a narrow place on the speed in it: what a sharp hole loses, 1/0.62² − 1. */
const ORIFICE = 1.6;
/** A head this near to the one that was worked out is told by its slope, m: of a step's time half went into working them all out anew. */
const SAME_HEAD = 2e-4;
/** Share of a depth that its flow's slope is read off over. */
const RISES = 0.05;

export class PipeWater extends PipeGrid {
  /** Level (m) and volume (m³) of each cell; flow through each face, m³/s, down the run. */
  readonly level: Float64Array;
  readonly volume: Float64Array;
  readonly flow: Float64Array;
  /** Of each run the share of its section that is open: less than 1 where it is crushed or full of roots. */
  readonly open: Float64Array;
  /** Of each face: Q' = constant + byUp η'above − byDown η'below. */
  protected readonly constant: Float64Array;
  protected readonly byUp: Float64Array;
  protected readonly byDown: Float64Array;
  /** Of each face g n² over its diameter to 4/3. */
  private readonly faceFriction: Float64Array;
  /** Of each run √S/n d^(8/3), 0 where it does not fall, and √g d^(5/2), of all its pipes. */
  private readonly runSteep: Float64Array;
  private readonly runCritical: Float64Array;
  /** Of each face the head that its most was last worked out for, m (none at first), that most, m³/s, and its slope. */
  private readonly mostFrom: Float64Array;
  private readonly mostFlow: Float64Array;
  private readonly mostSlope: Float64Array;

  constructor(nodes: readonly PipeNode[], runs: readonly PipeRun[]) {
    super(nodes, runs);
    const ofFaces = (): Float64Array => new Float64Array(this.faces);
    this.level = Float64Array.from(this.bottom);
    this.volume = new Float64Array(this.cells);
    [this.flow, this.constant, this.byUp, this.byDown] = [ofFaces(), ofFaces(), ofFaces(), ofFaces()];
    [this.mostFrom, this.mostFlow, this.mostSlope] = [ofFaces().fill(NaN), ofFaces(), ofFaces()];
    this.open = new Float64Array(runs.length).fill(1);
    this.runSteep = Float64Array.from(runs, ({ invertUp, invertDown, length, roughness, diameter, parallel }) => {
      const fall = Math.max(0, invertUp - invertDown) / length;
      return (parallel * Math.sqrt(fall) * diameter ** (8 / 3)) / roughness;
    });
    this.runCritical = Float64Array.from(
      runs,
      ({ diameter, parallel }) => parallel * Math.sqrt(GRAVITY * diameter ** 5),
    );
    this.faceFriction = Float64Array.from(this.faceRun, (run) => {
      const { roughness, diameter } = runs[run]!;
      return (GRAVITY * roughness ** 2) / Math.cbrt(diameter) ** 4;
    });
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
  protected linearise(dt: number): void {
    for (let face = 0; face < this.flow.length; face++) this.lineariseFace(face, dt);
  }

  private lineariseFace(face: number, dt: number): void {
    const high = this.level[this.up[face]!]!;
    const low = this.level[this.down[face]!]!;
    const floor = this.faceFloor[face]!;
    const kind = this.faceKind[face]!;
    const over = Math.max(high, low) - floor;
    this.constant[face] = this.byUp[face] = this.byDown[face] = 0;
    // Where a pipe is crushed or full of roots is told of its run as a whole: it is laid into its head.
    const free = kind === HEAD ? this.open[this.faceRun[face]!]! : 1;
    if (over <= DRY || free <= 0) return;
    const run = this.runs[this.faceRun[face]!]!;
    const { diameter, parallel } = run;
    // In its head a pipe is as deep as its own water, which has lost the landing's head, and no shallower than critical.
    const depth =
      kind === HEAD && high > low ? deeperThanCritical(diameter, over, this.faceLoss[face]!, low - floor) : over;
    const share = Math.min(1, depth / diameter);
    const one = areaBy(diameter, share);
    const area = one * parallel * free;
    const flow = this.flow[face]!;
    const dx = this.faceLength[face]!;
    const loss = (kind === FOOT ? exitLossAt(run, low) : this.faceLoss[face]!) + ORIFICE * (1 - free);
    const throat = kind === HEAD ? (run.throat ?? 0) : 0;
    const slows =
      dt *
      ((this.faceFriction[face]! * Math.abs(flow)) / (area * frictionBy(share)) +
        (loss * Math.abs(flow)) / (2 * area * dx) +
        (GRAVITY * throat * area * Math.abs(flow)) / (parallel ** 2 * dx));
    // |Q| Q' of the step before would swing for ever where friction rules: Q'|Q'| by its tangent, 2|Q| Q' − |Q| Q, comes to rest.
    const damp = 1 + 2 * slows;
    const bare = (flow + slows * flow) / damp;
    const drive = (GRAVITY * area * dt) / (dx * damp);
    this.constant[face] = bare;
    this.byUp[face] = this.byDown[face] = drive;
    if (high <= floor || low >= high) return;
    if (kind === INNER) return this.runsSteep(face, high - floor, bare + drive * (high - low));
    // Falling free: no more than what is critical at the depth above, or runs uniformly where the pipe is steep.
    const head = high - floor;
    const { mostFrom, mostFlow, mostSlope } = this;
    if (!(Math.abs(head - mostFrom[face]!) <= SAME_HEAD)) {
      const end: RunEnd = { run, isHead: kind === HEAD, loss: this.faceLoss[face]! };
      mostFrom[face] = head;
      mostFlow[face] = mostPast(end, head, throat);
      mostSlope[face] = (mostPast(end, head * 1.01, throat) - mostFlow[face]!) / (head * 0.01);
    }
    const slope = free * mostSlope[face]!;
    const most = free * mostFlow[face]! + slope * (head - mostFrom[face]!);
    if (bare + drive * (high - low) <= most) return;
    this.byUp[face] = slope;
    this.byDown[face] = 0;
    this.constant[face] = most - slope * high;
  }

  /**
   * Within a steep pipe water runs no faster than uniformly by the depth above. By its level alone it would leave a cell whole in one step and
   * none in the next: the slope of what runs by its depth is what brings it to rest.
   */
  private runsSteep(face: number, depth: number, would: number): void {
    const run = this.faceRun[face]!;
    const steep = this.runSteep[run]!;
    if (steep === 0) return;
    const { diameter } = this.runs[run]!;
    const share = depth / diameter;
    const flow = steep * conveysBy(share);
    if (would <= flow || flow < this.runCritical[run]! * criticalBy(share)) return;
    const more = share * RISES;
    const slope = (steep * (conveysBy(share + more) - conveysBy(share))) / (more * diameter);
    this.byUp[face] = slope;
    this.byDown[face] = 0;
    this.constant[face] = flow - slope * (depth + this.faceFloor[face]!);
  }
}
