/**
 * Where ink lies on a plan: small cells that something is drawn through, counted from the top left corner, so that what lies under any box is
 * known in four steps. Cells lie fast on the ground, not on the screen: what is found stays as it is while the plan is moved.
 */
import { clipped } from './clip';
import type { Box, Spot } from './spot';

/** Side of a cell on a screen, px. */
const CELL = 3;

export class InkMap {
  private readonly cols: number;
  private readonly rows: number;
  private readonly ink: Uint8Array;
  /** Of cells above and left of each corner; one column and one row more than there are cells. */
  private sums: Int32Array | null = null;
  private readonly left: number;
  private readonly top: number;

  /** `origin`: where a place of the ground lies, px, that cells are counted from; `cell`: their side. */
  constructor(
    frame: Box,
    origin: Spot,
    private readonly cell = CELL,
  ) {
    // The first cell's edge lies a whole number of cells from the origin.
    const edge = (from: number, at: number): number => at - Math.ceil((at - from) / this.cell) * this.cell;
    this.left = edge(frame.left, origin.x);
    this.top = edge(frame.top, origin.y);
    this.cols = Math.ceil((frame.right - this.left) / this.cell) + 1;
    this.rows = Math.ceil((frame.bottom - this.top) / this.cell) + 1;
    this.ink = new Uint8Array(this.cols * this.rows);
  }

  /** A stroke from one spot to another, so wide, px. */
  line(a: Spot, b: Spot, width = 2): void {
    const half = width / 2;
    // From near by a line is far longer than what is seen of it.
    const seen = clipped(a, b, {
      left: this.left - half,
      top: this.top - half,
      right: this.left + this.cols * this.cell + half,
      bottom: this.top + this.rows * this.cell + half,
    });
    if (!seen) return;
    const [from, to] = seen;
    const steps = Math.max(1, Math.ceil(((to - from) * Math.hypot(b.x - a.x, b.y - a.y)) / (this.cell / 2)));
    for (let k = 0; k <= steps; k++) {
      const share = from + ((to - from) * k) / steps;
      const [x, y] = [a.x + (b.x - a.x) * share, a.y + (b.y - a.y) * share];
      this.box({ left: x - half, right: x + half, top: y - half, bottom: y + half });
    }
  }

  /** All of a box. */
  box({ left, top, right, bottom }: Box): void {
    const [fromCol, toCol] = [this.col(left), this.col(right)];
    const [fromRow, toRow] = [this.row(top), this.row(bottom)];
    this.sums = null;
    for (let row = Math.max(0, fromRow); row <= Math.min(this.rows - 1, toRow); row++)
      for (let col = Math.max(0, fromCol); col <= Math.min(this.cols - 1, toCol); col++)
        this.ink[row * this.cols + col] = 1;
  }

  /** A way from spot to spot; `closed`: back to where it began. */
  way(spots: readonly Spot[], closed = false, width = 2): void {
    for (let k = 1; k < spots.length; k++) this.line(spots[k - 1]!, spots[k]!, width);
    if (closed && spots.length > 2) this.line(spots.at(-1)!, spots[0]!, width);
  }

  circle({ x, y }: Spot, radius: number): void {
    const steps = Math.max(12, Math.min(240, Math.ceil((2 * Math.PI * radius) / 6)));
    const spots = Array.from({ length: steps }, (_, k) => {
      const turn = (2 * Math.PI * k) / steps;
      return { x: x + radius * Math.cos(turn), y: y + radius * Math.sin(turn) };
    });
    this.way(spots, true);
  }

  /** Cells with ink under a box. */
  under({ left, top, right, bottom }: Box): number {
    const sums = (this.sums ??= this.counted());
    const clamp = (at: number, most: number): number => Math.max(0, Math.min(most, at));
    const [fromCol, toCol] = [clamp(this.col(left), this.cols), clamp(this.col(right) + 1, this.cols)];
    const [fromRow, toRow] = [clamp(this.row(top), this.rows), clamp(this.row(bottom) + 1, this.rows)];
    if (toCol <= fromCol || toRow <= fromRow) return 0;
    const wide = this.cols + 1;
    return (
      sums[toRow * wide + toCol]! -
      sums[fromRow * wide + toCol]! -
      sums[toRow * wide + fromCol]! +
      sums[fromRow * wide + fromCol]!
    );
  }

  /** Ink met on the way from one spot to another, in cells. */
  between(a: Spot, b: Spot): number {
    const steps = Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / this.cell);
    let met = 0;
    for (let k = 0; k <= steps; k++)
      met += this.at(a.x + ((b.x - a.x) * k) / Math.max(1, steps), a.y + ((b.y - a.y) * k) / Math.max(1, steps));
    return met;
  }

  /** Ink under a box that is turned about its middle, in cells; looked at cell by cell. */
  underTurned({ x, y, turn }: Spot & { turn: number }, width: number, height: number): number {
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const [cols, rows] = [Math.ceil(width / this.cell), Math.ceil(height / this.cell)];
    let met = 0;
    for (let row = 0; row <= rows; row++)
      for (let col = 0; col <= cols; col++) {
        const [along, across] = [(col / cols - 0.5) * width, (row / rows - 0.5) * height];
        met += this.at(x + along * cos - across * sin, y + along * sin + across * cos);
      }
    return met;
  }

  private at(x: number, y: number): number {
    const [col, row] = [this.col(x), this.row(y)];
    return col >= 0 && row >= 0 && col < this.cols && row < this.rows ? this.ink[row * this.cols + col]! : 0;
  }

  private counted(): Int32Array {
    const wide = this.cols + 1;
    const sums = new Int32Array(wide * (this.rows + 1));
    for (let row = 0; row < this.rows; row++)
      for (let col = 0, along = 0; col < this.cols; col++) {
        along += this.ink[row * this.cols + col]!;
        sums[(row + 1) * wide + col + 1] = sums[row * wide + col + 1]! + along;
      }
    return sums;
  }

  private col = (x: number): number => Math.floor((x - this.left) / this.cell);
  private row = (y: number): number => Math.floor((y - this.top) / this.cell);
}
