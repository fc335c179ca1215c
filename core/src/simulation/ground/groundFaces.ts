/** Faces between the cells of a ground, and its edge. */
import { BLOCKED, type Ridge } from '../../ground/padded';
import { GRAVITY } from '../../units/constants';

export interface GroundIn {
  cols: number;
  rows: number;
  /** Side of a cell, m. */
  cell: number;
  /** m; NaN where nothing was measured. Row by row. */
  levels: Float64Array;
  kinds: Uint8Array;
  ridges: readonly Ridge[];
  /** Manning's n by cell. */
  roughness: Float64Array;
}

/** Slopes that water leaves the measured ground by, m/m. */
const LEAST_SLOPE = 2e-4;
const MOST_SLOPE = 0.2;

const SIDES = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;

/** Faces of one direction: flow now and after a step, m²/s; what the water must come over, m; g n²; and g n²/h^(7/3) with the h that it is of. */
export class Faces {
  readonly flow: Float64Array;
  readonly next: Float64Array;
  readonly sill: Float64Array;
  readonly friction: Float64Array;
  readonly drag: Float64Array;
  readonly dragOf: Float64Array;

  constructor(count: number) {
    const floats = (): Float64Array => new Float64Array(count);
    [this.flow, this.next, this.sill] = [floats(), floats(), floats().fill(Infinity)];
    [this.friction, this.drag, this.dragOf] = [floats(), floats(), floats()];
  }
}

/** Whether a cell is ground that water runs over. */
export const isGround = ({ kinds, levels }: Pick<GroundIn, 'kinds' | 'levels'>, at: number): boolean =>
  kinds[at] !== BLOCKED && !Number.isNaN(levels[at] ?? NaN);

/** Lays the faces of some cells: `across[k]` on the west of cell k, `along[k]` on its south. */
export function layFaces(given: GroundIn, cells: ArrayLike<number>, across: Faces, along: Faces): void {
  const { cols, rows, levels, roughness } = given;
  const ridges = new Map<number, number>();
  for (const { cell: a, beside: b, level } of given.ridges)
    if (Math.abs(a - b) === 1 || Math.abs(a - b) === cols)
      ridges.set(Math.min(a, b) * 2 + (Math.abs(a - b) === 1 ? 0 : 1), level);
  const lay = (faces: Faces, face: number, a: number, b: number, ridge: number | undefined): void => {
    if (!isGround(given, b)) return;
    faces.sill[face] = Math.max(levels[a]!, levels[b]!, ridge ?? -Infinity);
    faces.friction[face] = GRAVITY * ((roughness[a]! + roughness[b]!) / 2) ** 2;
  };
  for (const at of Array.from(cells)) {
    if ((at % cols) + 1 < cols) lay(across, at + 1, at, at + 1, ridges.get(at * 2));
    if (at + cols < cols * rows) lay(along, at + cols, at, at + cols, ridges.get(at * 2 + 1));
  }
}

/** Of a cell at the edge of what was measured how fast a depth of 1 m would leave it there, m³/s, by its fall from the cell opposite; 0 of others. */
export function edgeRateOf(given: GroundIn, at: number): number {
  const { cols, rows, cell, kinds, levels, roughness } = given;
  const [col, row] = [at % cols, Math.floor(at / cols)];
  let rate = 0;
  for (const [right, up] of SIDES) {
    const [c, r] = [col + right, row + up];
    const isOutside = c < 0 || r < 0 || c >= cols || r >= rows;
    const beyond = at + right + up * cols;
    if (!isOutside && (kinds[beyond] === BLOCKED || isGround(given, beyond))) continue;
    const [oc, or] = [col - right, row - up];
    const isInside = oc >= 0 && oc < cols && or >= 0 && or < rows && isGround(given, at - right - up * cols);
    const fall = isInside ? (levels[at - right - up * cols]! - levels[at]!) / cell : 0;
    // Where the ground rises to its edge water does not leave before it has filled what lies before it.
    if (fall >= 0) rate += (cell * Math.sqrt(Math.min(MOST_SLOPE, Math.max(LEAST_SLOPE, fall)))) / roughness[at]!;
  }
  return rate;
}
