/** A catch basin in a rain: how deep the water stands over its grate, and what it takes. */
import { GRATE_FACTS } from '../catalogue/grates';
import { sagCapacity, sagDepth, type InletControl, type SagInlet } from '../hydraulics/sagInlet';
import type { Basin } from '../job/kinds';
import type { Settings } from '../job/settings';
import type { Stands } from '../works/work';
import type { AtInlet, Offered } from './inlet';
import { freeboardOf, standsAt } from './sill';

export interface BasinPlan extends Offered {
  kind: 'basin';
  /** What it takes with the water over it that is allowed, m³/s. */
  capacity: number;
  /** Over the grate, m; over the water line where that drowns it. */
  ponding: number;
  control: InletControl;
  inlet: SagInlet;
  stands: Stands;
  /** Highest water, from ponding or from the pipe, or as high as it runs off over the ground, below the sill it protects, m; null where none is said. */
  freeboard: number | null;
  /** How much grit its sump holds, m³; null without one. */
  sump: number | null;
}

/** All grates of a basin as one inlet. */
export function inletOf({ grate, count = 1, clogging, walled = 0 }: Basin): SagInlet {
  const facts = GRATE_FACTS[grate];
  return {
    weirLength: facts.weirLength * (1 - walled) * count,
    openArea: facts.openArea * count,
    clogging: clogging ?? facts.clogging,
  };
}

/** A basin in a rain. Where its line is drowned, all that passes it there comes up. */
export function basinPlan(basin: Basin, at: AtInlet, settings: Settings): BasinPlan {
  const { taken, waterLevel, passedOn = 0 } = at;
  const inlet = inletOf(basin);
  const { depth: ponding, control } = sagDepth({ ...inlet, flow: taken });
  // Over a drowned grate what comes must still go down through it: its own head stands on the water line.
  const highest = Math.max(basin.groundLevel, waterLevel ?? Number.NEGATIVE_INFINITY) + ponding;
  const stands = standsAt({ inlet: basin, at, highest }, settings);
  // Square in plan, as wide as the grate's rim is long.
  const side = GRATE_FACTS[basin.grate].weirLength / 4;
  return {
    kind: 'basin',
    offered: taken + passedOn,
    taken,
    passedOn,
    capacity: sagCapacity({ ...inlet, depth: settings.ponding }).flow,
    ponding,
    control,
    inlet,
    stands,
    freeboard: freeboardOf(basin, stands.level),
    sump: basin.sumpDepth === undefined ? null : side * side * basin.sumpDepth,
  };
}
