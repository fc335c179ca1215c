/** Faces of a grid, moved tile by tile: what each would carry, what it may, and what it does. */
import { GRAVITY } from '../../units/constants';
import type { Faces } from './groundFaces';
import type { Tiles } from './tiles';

const THETA = 0.8;
/** Share by which a face’s depth changes before its friction is worked out anew. */
const DRAWN = 0.01;
/** Slower than so water stands, m²/s: what dies away would go on for ever in numbers too small to reckon with fast. */
const STILL = 1e-9;
/** Shallower water than so does not run, m. */
export const FILM = 1e-3;

export interface TileGround {
  tiles: Tiles;
  /** Side of a cell, m; ground and depth of each, m. */
  cell: number;
  ground: Float64Array;
  depth: Float64Array;
  /**
   * Faces by the cell that they lie before: `across[k]` is the one on the west of cell k, `along[k]` that on its south, so that those on its
   * east and north are `across[k + 1]` and `along[k + cols]`. One that is barred has its sill at infinity and carries nothing.
   */
  across: Faces;
  along: Faces;
}

export class TileFaces {
  /** By tile the most that stands over one of its faces, m. */
  readonly deepest: Float64Array;
  /** m that would leave each cell in a step. */
  private readonly leaves: Float64Array;

  constructor(private readonly given: TileGround) {
    this.deepest = new Float64Array(given.tiles.count);
    this.leaves = new Float64Array(given.depth.length);
  }

  /** Nothing is known any more of what would leave. */
  forget(): void {
    this.leaves.fill(0);
  }

  /** Water over a tile stands still. */
  still(tile: number): void {
    const { tiles, across, along } = this.given;
    const { cols } = tiles;
    for (let row = tiles.south[tile]!; row < tiles.north[tile]!; row++) {
      const start = row * cols + tiles.west[tile]!;
      const end = row * cols + tiles.east[tile]!;
      for (const { flow, next } of [across, along]) {
        flow.fill(0, start, end);
        next.fill(0, start, end);
      }
    }
  }

  /** The most that stands over the faces of a tile in one direction, m. */
  overIn(tile: number, { sill }: Faces, by: number): number {
    const { depth, ground, tiles } = this.given;
    const { cols } = tiles;
    let most = 0;
    const first = Math.max(tiles.south[tile]!, by === 1 ? 0 : 1);
    for (let row = first; row < tiles.north[tile]!; row++) {
      const end = row * cols + tiles.east[tile]!;
      for (let at = Math.max(1, row * cols + tiles.west[tile]!); at < end; at++) {
        const from = ground[at - by]! + depth[at - by]!;
        const to = ground[at]! + depth[at]!;
        const over = (from > to ? from : to) - sill[at]!;
        if (over > most) most = over;
      }
    }
    return most;
  }

  /** What the faces of a tile in one direction would carry after a step of `dt` s, m²/s, and take out of each cell; gives whether any would take more than there is. */
  drive(tile: number, faces: Faces, by: number, dt: number): boolean {
    const { depth, ground, tiles, cell: side } = this.given;
    const { leaves, deepest } = this;
    const { flow, next, sill, friction, drag, dragOf } = faces;
    const { cols } = tiles;
    const spread = dt / side;
    const drive = GRAVITY * spread;
    let most = deepest[tile]!;
    let isShort = false;
    const first = Math.max(tiles.south[tile]!, by === 1 ? 0 : 1);
    for (let row = first; row < tiles.north[tile]!; row++) {
      const end = row * cols + tiles.east[tile]!;
      for (let at = Math.max(1, row * cols + tiles.west[tile]!); at < end; at++) {
        const from = ground[at - by]! + depth[at - by]!;
        const to = ground[at]! + depth[at]!;
        const over = (from > to ? from : to) - sill[at]!;
        if (!(over > FILM)) {
          next[at] = 0;
          continue;
        }
        if (over > most) most = over;
        const was = flow[at]!;
        // At a wall there is nothing to centre on.
        const back = sill[at - by] === Infinity ? was : flow[at - by]!;
        const on = sill[at + by] === Infinity ? was : flow[at + by]!;
        // A root costs more than all the rest: it is drawn anew once the depth has changed by a hundredth.
        if (Math.abs(over - dragOf[at]!) > DRAWN * over) {
          dragOf[at] = over;
          drag[at] = friction[at]! / (over * over * Math.cbrt(over));
        }
        const centred = THETA * was + ((1 - THETA) / 2) * (back + on);
        const slows = dt * drag[at]! * Math.abs(was);
        const flows = (centred + slows * was - drive * over * (to - from)) / (1 + 2 * slows);
        if (!(flows > STILL || flows < -STILL)) {
          next[at] = 0;
          continue;
        }
        next[at] = flows;
        const cell = flows > 0 ? at - by : at;
        const out = leaves[cell]! + (flows > 0 ? flows : -flows) * spread;
        leaves[cell] = out;
        if (out > depth[cell]!) isShort = true;
      }
    }
    deepest[tile] = most;
    return isShort;
  }

  /** Cells that would give more than they have give all of it, each of their faces its share. */
  limit(tile: number, { next }: Faces, by: number): void {
    const { depth, tiles } = this.given;
    const { leaves } = this;
    const { cols } = tiles;
    for (let row = tiles.south[tile]!; row < tiles.north[tile]!; row++) {
      const end = row * cols + tiles.east[tile]!;
      for (let at = row * cols + tiles.west[tile]!; at < end; at++) {
        const flows = next[at]!;
        if (flows === 0) continue;
        const cell = flows > 0 ? at - by : at;
        const has = depth[cell]!;
        if (leaves[cell]! > has) next[at] = has > 0 ? (flows * has) / leaves[cell]! : 0;
      }
    }
  }

  /** Lets the faces of a tile carry what they do. */
  pass(tile: number, spread: number): void {
    const { depth, tiles, across, along } = this.given;
    const { leaves } = this;
    const { cols } = tiles;
    for (let row = tiles.south[tile]!; row < tiles.north[tile]!; row++) {
      const end = row * cols + tiles.east[tile]!;
      for (let at = row * cols + tiles.west[tile]!; at < end; at++) {
        const west = across.next[at]!;
        const south = along.next[at]!;
        across.flow[at] = west;
        along.flow[at] = south;
        leaves[at] = 0;
        depth[at]! += (west + south) * spread;
        if (west !== 0) {
          depth[at - 1]! -= west * spread;
          leaves[at - 1] = 0;
        }
        if (south !== 0) {
          depth[at - cols]! -= south * spread;
          leaves[at - cols] = 0;
        }
      }
    }
  }
}
