/** What has run out of some cells over the ground: over the faces round them, and over the edge of what was measured. */
import type { Faces } from './groundFaces';
import type { Tiles } from './tiles';

/** Faces of one direction round some cells: the cell that each lies before, whether what runs on there runs out (1) or back in (−1), and the tile that it moves with. */
interface Side {
  faces: Int32Array;
  outward: Int8Array;
  tile: Int32Array;
}

export class Rim {
  /** m³ so far that ran out over its faces. */
  over = 0;
  private readonly across: Side;
  private readonly along: Side;

  /** `edges`: which of the ground's edge cells are among them. */
  constructor(
    cells: readonly number[],
    tiles: Tiles,
    readonly edges: readonly number[],
  ) {
    const inside = new Set(cells);
    const side = (by: number): Side => {
      const round = [...inside].flatMap((at): [number, number][] => [
        ...(inside.has(at - by) ? [] : [[at, -1] as [number, number]]),
        ...(inside.has(at + by) ? [] : [[at + by, 1] as [number, number]]),
      ]);
      return {
        faces: Int32Array.from(round, ([face]) => face),
        outward: Int8Array.from(round, ([, outward]) => outward),
        tile: Int32Array.from(round, ([face]) => tiles.of(face)),
      };
    };
    [this.across, this.along] = [side(1), side(tiles.cols)];
  }

  /** After one of the shortest steps: `by` its time × width of a face, m s; the faces of the first `paces` moved, each by the pace of its tile. */
  note(across: Faces, along: Faces, by: number, moved: { paceOf: Uint8Array; paces: number }): void {
    this.over += (outOver(this.across, across.flow, moved) + outOver(this.along, along.flow, moved)) * by;
  }
}

function outOver(
  { faces, outward, tile }: Side,
  flow: Float64Array,
  { paceOf, paces }: { paceOf: Uint8Array; paces: number },
): number {
  let sum = 0;
  for (let k = 0; k < faces.length; k++) {
    const out = flow[faces[k]!]! * outward[k]!;
    const pace = paceOf[tile[k]!]!;
    if (out > 0 && pace < paces) sum += out * 2 ** pace;
  }
  return sum;
}
