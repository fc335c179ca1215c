/** What has run out of some cells over the ground: over the faces round them, and over the edge of what was measured. */
import type { Faces } from './groundFaces';

export class Rim {
  /** m³ so far that ran out over its faces. */
  over = 0;
  private readonly across: Int32Array;
  private readonly along: Int32Array;

  /** `edges`: which of the ground's edge cells are among them. Faces by index, those that lead back in as −1 − index. */
  constructor(
    cells: readonly number[],
    cols: number,
    readonly edges: readonly number[],
  ) {
    const inside = new Set(cells);
    const [across, along]: [number[], number[]] = [[], []];
    for (const at of inside) {
      if (!inside.has(at - 1)) across.push(-1 - at);
      if (!inside.has(at + 1)) across.push(at + 1);
      if (!inside.has(at - cols)) along.push(-1 - at);
      if (!inside.has(at + cols)) along.push(at + cols);
    }
    [this.across, this.along] = [Int32Array.from(across), Int32Array.from(along)];
  }

  /** After a sub-step: `time` × width of a face, m s. */
  note(across: Faces, along: Faces, by: number): void {
    this.over += (outOver(this.across, across.flow) + outOver(this.along, along.flow)) * by;
  }
}

function outOver(faces: Int32Array, flow: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < faces.length; k++) {
    const face = faces[k]!;
    const out = face < 0 ? -flow[-1 - face]! : flow[face]!;
    if (out > 0) sum += out;
  }
  return sum;
}
