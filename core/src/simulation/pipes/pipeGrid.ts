/** Pipes between landings, cut into cells with faces between them: what does not change while water runs. */
import { areaBy, widthBy } from './roundSection';

/** One landing: its floor, its own area up to its rim and what is more over it, less than 0 of one that narrows there (m²), and what its leaving run's head loses, K. */
export interface PipeNode {
  floor: number;
  rim: number;
  area: number;
  overRim: number;
  loss: number;
}

/** One run, or several alike side by side, between two landings by their index; a way out is a landing with no run out. */
export interface PipeRun {
  from: number;
  to: number;
  length: number;
  diameter: number;
  roughness: number;
  invertUp: number;
  invertDown: number;
  parallel: number;
  /** Head that an adapter’s throat costs at a flow of one pipe, m per (m³/s)²; and K at its foot where what stands there covers it. None when absent. */
  throat?: number;
  exitLoss?: number;
}

/** Cells of a run: at most so long (m), at least so many. */
const CELL = 3;
const LEAST_CELLS = 2;

/** How a face is where it meets a landing: the head of a run, its foot, or neither. */
export const INNER = 0;
export const HEAD = 1;
export const FOOT = 2;

export class PipeGrid {
  /** Cells: first the landings in their order, then the runs' own. Of each run its first cell and how many, and its first face: one more than it has cells. */
  readonly cells: number;
  readonly faces: number;
  readonly firstCell: Int32Array;
  readonly cellsOf: Int32Array;
  readonly firstFace: Int32Array;
  /** Of each cell its floor, m, its length times how many lie side by side, m, and its width, m; naught of a landing but its floor. */
  protected readonly bottom: Float64Array;
  protected readonly lies: Float64Array;
  protected readonly diameter: Float64Array;
  /** Surface of each cell at the level that its volume was last asked for, m². */
  protected readonly surface: Float64Array;
  /** Of each face the cells above and below it, its run, its kind, what the water must come over, the length it has, m, and K. */
  protected readonly up: Int32Array;
  protected readonly down: Int32Array;
  protected readonly faceRun: Int32Array;
  protected readonly faceKind: Uint8Array;
  protected readonly faceFloor: Float64Array;
  protected readonly faceLength: Float64Array;
  protected readonly faceLoss: Float64Array;
  /** Cells of each tree, each before the one that it flows to; and the face that it does so through, −1 for none. */
  protected readonly trees: readonly Int32Array[];
  protected readonly leaving: Int32Array;

  constructor(
    readonly nodes: readonly PipeNode[],
    readonly runs: readonly PipeRun[],
  ) {
    const counts = runs.map(({ length }) => Math.max(LEAST_CELLS, Math.ceil(length / CELL)));
    this.cells = nodes.length + counts.reduce((sum, count) => sum + count, 0);
    this.faces = counts.reduce((sum, count) => sum + count + 1, 0);
    const ofCells = (): Float64Array => new Float64Array(this.cells);
    const ofFaces = (): Float64Array => new Float64Array(this.faces);
    [this.bottom, this.lies, this.diameter, this.surface] = [ofCells(), ofCells(), ofCells(), ofCells()];
    [this.faceFloor, this.faceLength, this.faceLoss] = [ofFaces(), ofFaces(), ofFaces()];
    [this.up, this.down] = [new Int32Array(this.faces), new Int32Array(this.faces)];
    [this.faceRun, this.faceKind] = [new Int32Array(this.faces), new Uint8Array(this.faces)];
    this.cellsOf = Int32Array.from(counts);
    [this.firstCell, this.firstFace] = [new Int32Array(runs.length), new Int32Array(runs.length)];
    this.leaving = new Int32Array(this.cells).fill(-1);
    nodes.forEach(({ floor }, k) => (this.bottom[k] = floor));
    let [cell, face] = [nodes.length, 0];
    runs.forEach((run, index) => {
      const count = counts[index]!;
      [this.firstCell[index], this.firstFace[index]] = [cell, face];
      this.layRun(run, index, count);
      cell += count;
      face += count + 1;
    });
    this.trees = this.apart(this.inOrder());
  }

  private layRun(run: PipeRun, index: number, count: number): void {
    const [cell, face] = [this.firstCell[index]!, this.firstFace[index]!];
    const dx = run.length / count;
    const slope = (run.invertUp - run.invertDown) / run.length;
    for (let k = 0; k < count; k++) {
      this.bottom[cell + k] = run.invertUp - slope * dx * (k + 0.5);
      this.lies[cell + k] = dx * run.parallel;
      this.diameter[cell + k] = run.diameter;
    }
    for (let k = 0; k <= count; k++) {
      const [isHead, isFoot] = [k === 0, k === count];
      const above = isHead ? run.from : cell + k - 1;
      const below = isFoot ? run.to : cell + k;
      this.up[face + k] = above;
      this.down[face + k] = below;
      this.leaving[above] = face + k;
      this.faceRun[face + k] = index;
      this.faceKind[face + k] = isHead ? HEAD : isFoot ? FOOT : INNER;
      this.faceLength[face + k] = isHead || isFoot ? dx / 2 : dx;
      // Where a pipe rises against its flow its higher end bars it.
      this.faceFloor[face + k] = isHead
        ? run.invertUp
        : isFoot
          ? Math.max(run.invertDown, Math.min(this.bottom[above]!, run.invertUp))
          : Math.max(this.bottom[above]!, this.bottom[below]!);
      this.faceLoss[face + k] = isHead ? this.nodes[run.from]!.loss : 0;
    }
  }

  /** Each cell before the one that it flows to, line by line as far as each leads by itself: what lies side by side is worked one after the other. */
  private inOrder(): Int32Array {
    const { cells } = this;
    const waits = new Int32Array(cells);
    for (let k = 0; k < this.up.length; k++) waits[this.down[k]!]!++;
    const heads = [...waits.keys()].filter((k) => waits[k] === 0);
    const order = new Int32Array(cells);
    let filled = 0;
    for (const head of heads)
      for (let k = head; ;) {
        order[filled++] = k;
        const face = this.leaving[k]!;
        if (face < 0) break;
        k = this.down[face]!;
        if (--waits[k]! > 0) break;
      }
    if (filled < cells) throw new Error('Pipes lead round in a loop.');
    return order;
  }

  /** The cells of each tree by themselves, in their order: what is still in one is not worked on for another. */
  private apart(order: Int32Array): Int32Array[] {
    const root = new Int32Array(this.cells);
    for (let at = order.length - 1; at >= 0; at--) {
      const face = this.leaving[order[at]!]!;
      root[order[at]!] = face < 0 ? order[at]! : root[this.down[face]!]!;
    }
    const trees = new Map<number, number[]>();
    for (const k of order) {
      const tree = trees.get(root[k]!);
      if (tree) tree.push(k);
      else trees.set(root[k]!, [k]);
    }
    return [...trees.values()].map((tree) => Int32Array.from(tree));
  }

  /** Volume of a cell at a level, m³. */
  volumeAt(cell: number, level: number): number {
    const depth = level - this.bottom[cell]!;
    if (cell >= this.nodes.length) return this.lies[cell]! * areaBy(this.diameter[cell]!, depth / this.diameter[cell]!);
    if (depth <= 0) return 0;
    const { rim, area, overRim } = this.nodes[cell]!;
    return area * depth + Math.max(0, level - Math.max(rim, this.bottom[cell]!)) * overRim;
  }

  /** Volume of a cell at a level, m³, noting its surface there, m², the slope of that volume. */
  protected volumeAndSurface(cell: number, level: number): number {
    const depth = level - this.bottom[cell]!;
    if (cell < this.nodes.length) {
      const { rim, area, overRim } = this.nodes[cell]!;
      this.surface[cell] = depth < 0 ? 0 : level > rim ? area + overRim : area;
      return this.volumeAt(cell, level);
    }
    const diameter = this.diameter[cell]!;
    const share = depth / diameter;
    this.surface[cell] = this.lies[cell]! * diameter * widthBy(share);
    return this.lies[cell]! * areaBy(diameter, share);
  }

  /**
   * How far a level may go in one round: not past the half of a pipe, where it is widest, nor past its crown, where its surface ends. Between
   * those its volume bends one way only, and no round jumps over what is sought.
   */
  protected within(cell: number, was: number, level: number): number {
    if (cell < this.nodes.length) {
      const { rim, overRim } = this.nodes[cell]!;
      // What narrows over its rim bends there.
      if (overRim >= 0 || was === rim) return level;
      return was < rim ? Math.min(level, rim) : Math.max(level, rim);
    }
    const half = this.bottom[cell]! + this.diameter[cell]! / 2;
    const crown = half + this.diameter[cell]! / 2;
    if (was < half) return Math.min(level, half);
    if (was > crown) return Math.max(level, crown);
    const low = was === half ? -Infinity : half;
    return Math.max(low, was === crown ? level : Math.min(level, crown));
  }

  /** Depth from which a cell's surface is one to reckon with, m. */
  protected seenFrom(cell: number): number {
    return cell < this.nodes.length ? 0 : this.diameter[cell]! / 20;
  }
}
