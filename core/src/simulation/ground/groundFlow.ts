/**
 * Water over the ground over time: depth in square cells, flow through the faces between them, by the local inertial form of the
 * shallow-water equations (Bates, Horritt & Fewtrell 2010, J. Hydrol. 387; centred as de Almeida et al. 2012, Water Resour. Res. 48):
 *
 *     q' = (θ q + (1 − θ)(q before + q after)/2 + s q − g h_f dt Δη/dx) / (1 + 2 s),   s = g dt n² |q| / h_f^(7/3),   θ = 0.8
 *
 * friction being taken by its tangent: as |q| q' with the flow of before it swings from step to step where it rules. h_f is the higher water of the two cells over the higher ground, or over what bars the way between them. What leaves a cell is scaled
 * down where it would be more than stands there: no depth falls below naught, and volume is exact. Cells at the edge of what was measured
 * let water out as it would run down their own slope.
 *
 * Each tile of the grid goes by the step that its own depth allows, one, two, four or eight of the shortest: a film on the lawn does not
 * wait on the pond beside it. What a face carries goes from one cell to the other at once, so that none is lost where two paces meet.
 */
import { GRAVITY } from '../../units/constants';
import { edgeRateOf, Faces, isGround, layFaces, type GroundIn } from './groundFaces';
import { Rim } from './rim';
import { FILM, TileFaces } from './tileFaces';
import { Tiles } from './tiles';

/**
 * Share of the step in which a wave crosses a cell. On a square grid it is stable up to 0.7 (1/√2) at most: at that water that runs together from
 * four sides swung from step to step, 30 mm one way and the other; at 0.6 now and then, at 0.5 never.
 */
const COURANT = 0.5;
/**
 * Tiles go by 1, 2, 4 or 8 of the shortest steps; one that grows so many times as deep meanwhile keeps its own. With one step for all the clinic took
 * 12.3 s on 6,710 cells, so 7.4, and a yard of 35,000 cells 207 s and now 60.
 */
const PACES = 4;
const GROWS = 1.2;

export class GroundFlow {
  readonly depth: Float64Array;
  readonly ground: Float64Array;
  readonly area: number;
  /** m³ that has left over the edge of what was measured. */
  left = 0;
  /** Cells that hold water and ground at all. */
  readonly cells: Int32Array;
  /** Shortest steps of the last step. */
  steps = 0;

  private readonly across: Faces;
  private readonly along: Faces;
  private readonly tiles: Tiles;
  /** By tile whether it has water that runs, and whether it lies beside one that does: those are worked. */
  private readonly wet: Uint8Array;
  private readonly worked: Uint8Array;
  private readonly faces: TileFaces;
  /** By tile its pace; and by pace those that go by it, and how many. */
  private readonly paceOf: Uint8Array;
  private readonly paced: readonly Int32Array[];
  private readonly counts = new Int32Array(PACES);
  private readonly edges: Int32Array;
  private readonly edgeRate: Float64Array;
  /** m³ that has left over each. */
  private readonly edgeLeft: Float64Array;
  private readonly rims: Rim[] = [];

  constructor(readonly given: GroundIn) {
    const { cols, rows, cell, levels } = given;
    this.ground = levels;
    this.area = cell * cell;
    this.depth = new Float64Array(levels.length);
    this.cells = Int32Array.from([...levels.keys()].filter((at) => isGround(given, at)));
    [this.across, this.along] = [new Faces(levels.length + 2), new Faces(levels.length + 2 * cols)];
    layFaces(given, this.cells, this.across, this.along);
    this.tiles = new Tiles(cols, rows);
    const { count } = this.tiles;
    [this.wet, this.worked, this.paceOf] = [new Uint8Array(count), new Uint8Array(count), new Uint8Array(count)];
    this.faces = new TileFaces({
      tiles: this.tiles,
      cell,
      ground: levels,
      depth: this.depth,
      across: this.across,
      along: this.along,
    });
    this.paced = Array.from({ length: PACES }, () => new Int32Array(count));
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
    const rim = new Rim(cells, this.tiles, edges);
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
    this.gather();
    let left = time;
    this.steps = 0;
    while (left > 1e-9) {
      const wanted = Math.ceil(left / this.longestAt(this.mostOver()) - 1e-9);
      // As many of the shortest steps together as the slowest tiles go by at once.
      const together = Math.min(2 ** (PACES - 1), 2 ** Math.ceil(Math.log2(wanted)));
      const dt = left / (Math.ceil(wanted / together) * together);
      this.pace(dt, Math.log2(together) + 1);
      for (let step = 0; step < together; step++) this.move(dt, pacesAt(step, together));
      this.overEdge(dt * together);
      left -= dt * together;
      this.steps += together;
    }
  }

  /** Longest step, s, in which a wave over water so deep is stable. */
  private longestAt(deep: number): number {
    return (COURANT * this.given.cell) / Math.sqrt(GRAVITY * deep);
  }

  private mostOver(): number {
    return this.faces.deepest.reduce((most, deep) => Math.max(most, deep), FILM);
  }

  /** Finds the tiles that water runs in, and those beside them; what no longer runs stands still. */
  private gather(): void {
    const { depth, tiles, wet, worked, across, along, faces } = this;
    const { cols } = tiles;
    const had = Uint8Array.from(worked);
    for (let tile = 0; tile < tiles.count; tile++) {
      let most = 0;
      for (let row = tiles.south[tile]!; row < tiles.north[tile]!; row++) {
        const end = row * cols + tiles.east[tile]!;
        for (let at = row * cols + tiles.west[tile]!; at < end; at++) if (depth[at]! > most) most = depth[at]!;
      }
      wet[tile] = most > FILM / 2 ? 1 : 0;
    }
    tiles.spread(wet, worked);
    for (let tile = 0; tile < tiles.count; tile++) {
      faces.deepest[tile] =
        worked[tile] === 1 ? Math.max(faces.overIn(tile, across, 1), faces.overIn(tile, along, cols)) : 0;
      if (had[tile] === 1 && worked[tile] === 0) faces.still(tile);
    }
  }

  /** Gives each tile that is worked the longest of the first `paces` that it may go by, `dt` s being the shortest step. */
  private pace(dt: number, paces: number): void {
    const { worked, paceOf, paced, counts } = this;
    const { deepest } = this.faces;
    counts.fill(0);
    for (let tile = 0; tile < worked.length; tile++) {
      if (worked[tile] === 0) continue;
      const longest = this.longestAt(Math.max(FILM, GROWS * deepest[tile]!));
      let pace = paces - 1;
      while (pace > 0 && dt * 2 ** pace > longest) pace--;
      paceOf[tile] = pace;
      paced[pace]![counts[pace]!++] = tile;
    }
  }

  /** One of the shortest steps, `dt` s, for the tiles of the first `paces`. */
  private move(dt: number, paces: number): void {
    const { paced, counts, across, along, faces } = this;
    const { cell, cols } = this.given;
    let isShort = false;
    for (let pace = 0; pace < paces; pace++)
      for (let k = 0; k < counts[pace]!; k++) {
        const tile = paced[pace]![k]!;
        faces.deepest[tile] = 0;
        isShort = faces.drive(tile, across, 1, dt * 2 ** pace) || isShort;
        isShort = faces.drive(tile, along, cols, dt * 2 ** pace) || isShort;
      }
    for (let pace = 0; isShort && pace < paces; pace++)
      for (let k = 0; k < counts[pace]!; k++) {
        faces.limit(paced[pace]![k]!, across, 1);
        faces.limit(paced[pace]![k]!, along, cols);
      }
    for (let pace = 0; pace < paces; pace++)
      for (let k = 0; k < counts[pace]!; k++) faces.pass(paced[pace]![k]!, (dt * 2 ** pace) / cell);
    // What was held back to nothing has taken no note of it off.
    if (isShort) faces.forget();
    for (const rim of this.rims) rim.note(across, along, dt * cell, { paceOf: this.paceOf, paces });
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
      const root = Math.cbrt(water);
      const falls = 1 / (root * root) + ((2 / 3) * edgeRate[k]! * dt) / area;
      const after = 1 / (falls * Math.sqrt(falls));
      const leaves = (water - after) * area;
      this.left += leaves;
      edgeLeft[k]! += leaves;
      depth[at] = after;
    }
  }
}

/** How many of the paces move in the step so far on of those that are taken together: all at first, the shortest alone at every odd one. */
function pacesAt(step: number, together: number): number {
  let paces = 1;
  while (2 ** paces <= together && step % 2 ** paces === 0) paces++;
  return paces;
}
