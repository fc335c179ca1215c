/** What of the drawn ground each inlet gathers, as surfaces that feed it. */
import { SURFACE_FACTS, type SurfaceCover } from '../catalogue/surfaces';
import type { Soil } from '../catalogue/soils';
import { cellsWithin, type Grid } from '../ground/grid';
import type { Basin, Channel, Surface } from '../job/kinds';
import { meetsFirst, type YardWater } from './water';

/** Sheet flow is no longer than this; then water runs in rills, m (100 ft). */
const LONGEST_SHEET = 30.48;
/** Never flatter than this in a formula for time, m/m. */
const LEAST_SLOPE = 0.002;

/** Roughness of sheet flow: smooth paving; short grass; what else is in between. */
const roughnessOf = (cover: SurfaceCover): number =>
  cover === 'paving' || cover === 'pavers' ? 0.012 : cover === 'gravel' ? 0.03 : 0.15;

/** Lawn by its soil and its fall, m/m. */
export function lawnOn(soil: Soil, slope: number): SurfaceCover {
  const ground =
    soil === 'sand' || soil === 'loamySand' ? 'Sand' : soil === 'clay' || soil === 'clayLoam' ? 'Clay' : 'Loam';
  return `lawn${ground}${slope < 0.02 ? 'Flat' : slope > 0.07 ? 'Steep' : ''}`;
}

/** Surfaces that an inlet gathers by the lie of the land. Their ids hold a `~`, which no element's own can. */
export const groundId = (inlet: string, cover: SurfaceCover): string => `ground~${inlet}~${cover}`;

/** Ground that sheds to inlets. */
export interface Shed {
  water: YardWater;
  inlets: readonly (Basin | Channel)[];
  /** Drawn surfaces whose water goes where the ground leads. */
  covers: readonly Surface[];
  /** Those that somebody has led elsewhere, and beds that take their own rain: left out, so that no water is counted twice. */
  spokenFor: readonly Pick<Surface, 'outline'>[];
  soil: Soil;
}

/** For each inlet what it gathers, by cover. */
export function catchmentsOf({ water, inlets, covers, spokenFor, soil }: Shed): Surface[] {
  if (inlets.length === 0) return [];
  const { grid, flow } = water;
  const met = meetsFirst(water, inlets);
  const patch = patchesOf(grid, covers, spokenFor);
  const length = wayAbove(water, met);
  const gathered = inlets.map(() => new Map<SurfaceCover | null, number>());
  const farthest = inlets.map(() => ({ length: 0, rise: 0 }));
  met.forEach((inlet, cell) => {
    if (inlet < 0 || flow.receiver[cell] === -2 || patch[cell] === SPOKEN_FOR) return;
    const cover = patch[cell]! >= 0 ? covers[patch[cell]!]!.cover : null;
    gathered[inlet]!.set(cover, (gathered[inlet]!.get(cover) ?? 0) + grid.cell ** 2);
    const far = farthest[inlet]!;
    if (length[cell]! > far.length) {
      far.length = length[cell]!;
      far.rise = Math.max(0, flow.filled[cell]! - inlets[inlet]!.groundLevel);
    }
  });
  return inlets.flatMap((inlet, k) => {
    const { length: whole, rise } = farthest[k]!;
    const slope = Math.max(LEAST_SLOPE, whole > 0 ? rise / whole : 0);
    const byCover = new Map<SurfaceCover, number>();
    for (const [cover, area] of gathered[k]!) {
      const known = cover ?? lawnOn(soil, slope);
      byCover.set(known, (byCover.get(known) ?? 0) + area);
    }
    return [...byCover].map(([cover, area]): Surface => ({
      id: groundId(inlet.id, cover),
      kind: 'surface',
      name: `${SURFACE_FACTS[cover].label} above ${inlet.name}`,
      cover,
      area,
      feeds: [{ to: inlet.id, share: 1 }],
      sheet: {
        length: Math.max(grid.cell, Math.min(whole, LONGEST_SHEET)),
        slope: Math.min(slope, 2),
        roughness: roughnessOf(cover),
      },
      ...(whole > LONGEST_SHEET
        ? { shallow: { length: whole - LONGEST_SHEET, slope: Math.min(slope, 2), paved: roughnessOf(cover) < 0.02 } }
        : {}),
    }));
  });
}

const NO_PATCH = -1;
const SPOKEN_FOR = -2;

/** Which drawn surface lies on each cell, the last drawn uppermost. */
function patchesOf(grid: Grid, covers: readonly Surface[], spokenFor: Shed['spokenFor']): Int32Array {
  const patch = new Int32Array(grid.levels.length).fill(NO_PATCH);
  covers.forEach(({ outline }, k) => {
    for (const cell of cellsWithin(grid, outline!)) patch[cell] = k;
  });
  for (const { outline } of spokenFor) for (const cell of cellsWithin(grid, outline!)) patch[cell] = SPOKEN_FOR;
  return patch;
}

/** Way from each cell to the inlet that it meets, m. */
function wayAbove({ grid, flow }: YardWater, met: Int32Array): Float64Array {
  const length = new Float64Array(met.length);
  for (const cell of flow.order) {
    const to = flow.receiver[cell]!;
    if (to < 0 || met[cell]! < 0 || met[to] !== met[cell]) continue;
    const straight = Math.abs(cell - to) === 1 || Math.abs(cell - to) === grid.cols;
    length[cell] = length[to]! + grid.cell * (straight ? 1 : Math.SQRT2);
  }
  return length;
}
