/** A job's measured ground as cells that rain falls on, sinks into and runs over. */
import { block, cellAt, cellFor, cellsAlong, cellsWithin, placeOf, rasterise, type Grid } from '../../ground/grid';
import type { SurfaceCover } from '../../catalogue/surfaces';
import { groundInlets, ofKind, type Job } from '../../job/job';
import { placeOfLanding } from '../../job/places';
import type { GroundInlet } from '../../job/kinds';
import { centreOf, extentOf, wayLength, type Extent, type Place } from '../../site/place';
import { groundOf } from '../../yard/ground';
import { GroundFlow } from './groundFlow';
import { roughnessOf, saidOf, soakingFor } from '../shedding';
import { takesIn, WETTING, type Soaking, type Wetness } from './soak';

/** Ground that nobody has drawn a cover for. */
const BARE: SurfaceCover = 'lawnLoam';

export class JobGround {
  /** m³ so far. */
  fell = 0;
  wetted = 0;
  soaked = 0;
  private readonly kinds: readonly (Soaking | null)[];
  private readonly kindOf: Uint16Array;
  private readonly taken: Float64Array;
  private readonly dry: Float64Array;

  constructor(
    readonly grid: Grid,
    readonly flow: GroundFlow,
    { kinds, kindOf }: { kinds: readonly (Soaking | null)[]; kindOf: Uint16Array },
  ) {
    [this.kinds, this.kindOf] = [kinds, kindOf];
    this.taken = new Float64Array(kindOf.length);
    this.dry = Float64Array.from(kindOf, (kind) => (kinds[kind] ? 0 : WETTING.paving));
  }

  /** Rains (m) on it and lets it soak for a step of `dt` s. */
  rain(depth: number, dt: number): void {
    const { flow, taken, dry, kinds, kindOf } = this;
    const { cells, area } = flow;
    let [wets, soaks] = [0, 0];
    for (let k = 0; k < cells.length; k++) {
      const at = cells[k]!;
      let water = flow.depth[at]! + depth;
      if (water <= 0) continue;
      const soaking = kinds[kindOf[at]!];
      if (soaking) {
        const goes = Math.min(water, takesIn(soaking, taken[at]!, dt));
        taken[at]! += goes;
        soaks += goes;
        water -= goes;
      } else if (dry[at]! > 0) {
        const goes = Math.min(dry[at]!, water);
        dry[at]! -= goes;
        wets += goes;
        water -= goes;
      }
      flow.depth[at] = water;
    }
    this.fell += depth * cells.length * area;
    this.wetted += wets * area;
    this.soaked += soaks * area;
  }
}

/** A drawn swale is dug into the cells that it goes along, so that none is lost between two. */
function dig(grid: Grid, way: readonly Place[], head: number, foot: number): void {
  const cells = cellsAlong(grid, way);
  const whole = wayLength(way) || 1;
  let gone = 0;
  cells.forEach((at, k) => {
    if (k > 0) gone += wayLength([placeOf(grid, cells[k - 1]!), placeOf(grid, at)]);
    const level = head + (foot - head) * Math.min(1, gone / whole);
    if (!Number.isNaN(grid.levels[at]!)) grid.levels[at] = Math.min(grid.levels[at]!, level);
  });
}

/** Ground higher than so over an inlet's rim is not the ground that it stands in, m: a wall's top, a cell beside a step. */
const SUNK = 0.15;

/** An inlet is the lowest of its cell: how deep water stands over it does not hang on where the cells lie. */
function sink(grid: Grid, landing: GroundInlet): void {
  const place = placeOfLanding(landing);
  const cells =
    landing.kind !== 'basin' && landing.way ? cellsAlong(grid, landing.way) : [place ? cellAt(grid, place) : -1];
  for (const at of cells)
    if (at >= 0 && Math.abs(grid.levels[at]! - landing.groundLevel) < SUNK)
      grid.levels[at] = Math.min(grid.levels[at]!, landing.groundLevel);
}

/** A yard has so many cells; where they would be coarser than a metre, more, up to so many. */
const CELLS = 4000;
const MOST_CELLS = 60_000;
const COARSEST = 1;

/** Side of a yard's cells, m. */
function cellOf(extent: Extent): number {
  const usual = cellFor(extent, CELLS);
  return usual <= COARSEST ? usual : Math.max(COARSEST, cellFor(extent, MOST_CELLS));
}

/** The ground of a job, in at most about so many cells where somebody says; null where none was measured. */
export function jobGround(job: Job, { cells, wetness }: { cells?: number; wetness: Wetness }): JobGround | null {
  const { surface } = groundOf(job);
  if (!surface) return null;
  const extent = extentOf(surface.points)!;
  const grid = rasterise(surface, cells === undefined ? cellOf(extent) : cellFor(extent, cells));
  for (const { outline } of ofKind(job, 'building')) if (outline) block(grid, cellsWithin(grid, outline));
  for (const { form, way } of ofKind(job, 'barrier'))
    if (way && (form === 'wall' || form === 'retainingWall')) block(grid, cellsAlong(grid, way));
  for (const { way, headLevel, footLevel } of ofKind(job, 'swale'))
    if (way && headLevel !== undefined && footLevel !== undefined) dig(grid, way, headLevel, footLevel);
  for (const { way, footLevel, height } of ofKind(job, 'berm'))
    for (const at of way ? cellsAlong(grid, way) : []) grid.levels[at] = Math.max(grid.levels[at]!, footLevel + height);
  for (const landing of groundInlets(job)) sink(grid, landing);
  const middle = placeOf(grid, Math.floor(grid.rows / 2) * grid.cols + Math.floor(grid.cols / 2));
  const covers: { cover: SurfaceCover; soaking: Soaking | null }[] = [
    { cover: BARE, soaking: soakingFor(BARE, saidOf(job, undefined, middle), wetness) },
  ];
  const kindOf = new Uint16Array(grid.levels.length);
  for (const each of ofKind(job, 'surface')) {
    if (!each.outline) continue;
    covers.push({
      cover: each.cover,
      soaking: soakingFor(each.cover, saidOf(job, each.soil, centreOf(each.outline)), wetness),
    });
    for (const at of cellsWithin(grid, each.outline)) kindOf[at] = covers.length - 1;
  }
  const roughness = Float64Array.from(kindOf, (kind) => roughnessOf(covers[kind]!.cover));
  const flow = new GroundFlow({ ...grid, roughness });
  return new JobGround(grid, flow, { kinds: covers.map(({ soaking }) => soaking), kindOf });
}
