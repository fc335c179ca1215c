/** The smallest grate that does for each basin: a dome in a mulch bed, and on a slope one that lets next to nothing past. */
import { GRATE_FACTS, GRATES } from '../catalogue/grates';
import { basinPlan } from '../inlets';
import { ofKind, type Job } from '../job/job';
import type { Basin } from '../job/kinds';
import type { Plan } from '../verdict/planJob';
import { takenOnSlope } from '../runoff/bypass';
import { belowMulch } from '../snags/inlets/flatInMulch';

/** Most of one grate set side by side. */
const MAX_SIDE_BY_SIDE = 4;
/** What may run past, as a share of what comes. */
const PAST = 0.02;

/** Grates by themselves and side by side, smallest first. */
function* offers(basin: Basin, mulched: boolean): Iterable<Basin> {
  const { count: _now, ...one } = basin;
  const kinds = GRATES.filter((grate) => (grate === 'dome12') === mulched);
  const offered = kinds.flatMap((grate) =>
    Array.from({ length: MAX_SIDE_BY_SIDE }, (_, k): Basin => ({ ...one, grate, ...(k > 0 ? { count: k + 1 } : {}) })),
  );
  const area = ({ grate, count = 1 }: Basin): number => GRATE_FACTS[grate].openArea * count;
  // A single larger grate goes before several that open as much.
  yield* offered.sort((a, b) => (a.count ?? 1) - (b.count ?? 1) || area(a) - area(b));
}

/** Basins of a job whose grate should be another. */
export function suitedGrates(job: Job, { inlets, settings }: Plan): Basin[] {
  const mulch = belowMulch(job);
  return ofKind(job, 'basin').flatMap((basin) => {
    const inlet = inlets[basin.id];
    if (!inlet || inlet.offered <= 0) return [];
    const does = (each: Basin): boolean =>
      basin.approach
        ? takenOnSlope(each, inlet.offered) >= 1 - PAST
        : basinPlan(each, { taken: inlet.offered, waterLevel: null }, settings).ponding <= settings.ponding;
    for (const each of offers(basin, mulch.has(basin.id))) {
      if (!does(each)) continue;
      const same = each.grate === basin.grate && (each.count ?? 1) === (basin.count ?? 1);
      return same ? [] : [each];
    }
    return [];
  });
}
