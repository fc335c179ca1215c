import { GRATE_FACTS, GRATES } from '../catalogue/grates';
import { put } from '../job/change';
import type { Basin } from '../job/elements';
import { elementOf, type Job } from '../job/job';
import { basinPlan } from '../inlets';
import type { Settings } from '../defaults';
import type { Fix, Rule } from './snag';

/** Most grates of a kind that a crew would set side by side before taking a larger one. */
const SIDE_BY_SIDE = 4;

/** The smallest other grate that takes the flow, or as many of the present one. */
function better(basin: Basin, offered: number, settings: Settings): Fix | null {
  const takes = (next: Basin): boolean => basinPlan(next, offered, null, settings).ponding <= settings.ponding;
  const larger = GRATES.filter((grate) => GRATE_FACTS[grate].openArea > GRATE_FACTS[basin.grate].openArea)
    .sort((a, b) => GRATE_FACTS[a].openArea - GRATE_FACTS[b].openArea)
    .map((grate) => ({ label: `Set a ${GRATE_FACTS[grate].label} grate`, next: { ...basin, grate } }));
  const more = Array.from({ length: SIDE_BY_SIDE }, (_, k) => (basin.count ?? 1) + k + 1).map((count) => ({
    label: `Set ${count} of them`,
    next: { ...basin, count },
  }));
  const found = [...larger, ...more].find(({ next }) => takes(next));
  return found ? { label: found.label, change: put(found.label, found.next) } : null;
}

/** Water stands deeper over a grate than is allowed before the grate takes it all. On a slope it does not stand, but runs on. */
export const grateSmall: Rule = {
  code: 'grateSmall',
  find: (_, { inlets, onSlope, settings }) =>
    Object.entries(inlets).flatMap(([id, inlet]) =>
      inlet.kind === 'basin' && !onSlope.has(id) && inlet.ponding > settings.ponding
        ? [
            {
              code: 'grateSmall',
              severity: 'fix' as const,
              at: id,
              measure: 'small' as const,
              figure: inlet.ponding,
              limit: settings.ponding,
            },
          ]
        : [],
    ),
  tell: (snag, say) => ({
    headline: `Water stands ${say.show('small', snag.figure)} deep over ${say.name(snag.at)}.`,
    why: `Its grate, part covered with leaves, needs that depth to take what comes. ${say.show('small', snag.limit)} is allowed here.`,
  }),
  fix: (snag, job: Job, { inlets, settings }) =>
    better(elementOf(job, 'basin', snag.at)!, inlets[snag.at]!.taken, settings),
};
