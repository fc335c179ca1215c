/** Snags of the way out: none there, too high, too near, or too little fall to reach it. */
import { put, type Change } from '../../job/change';
import { dischargeOf, freeId, resized, runOf, together, withSettings } from '../../job/edits/pipes';
import { headOf, nameOf, ofKind, type Job } from '../../job/job';
import { isLanding, landsOnGutter, type Element } from '../../job/kinds';
import type { FallBudget } from '../../network/budget';
import type { Solution } from '../../plan/solution';
import { LEVEL_TOLERANCE } from '../../snags/snag';
import { showLength, showSmall, text } from '../../units';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../../units/constants';
import { fixOfChange, type Mending } from './fix';

/** A distance to start from where nobody has paced it yet, m; marked as assumed until somebody does. */
const ASSUMED_LENGTH = 30 * METRES_PER_FOOT;
/** Fall below the lowest landing that an assumed way out is given, m. */
const ASSUMED_FALL = 3 * METRES_PER_FOOT;

const noDischarge: Mending = {
  code: 'noDischarge',
  candidates: (snag, job) => {
    if (!('groundLevel' in job.elements.get(snag.at)!)) return [];
    const puts: Element[] = [];
    let discharge = ofKind(job, 'discharge')[0];
    if (!discharge) {
      const levels = job.elements.all.flatMap((element) => ('groundLevel' in element ? [element.groundLevel] : []));
      discharge = {
        id: freeId(job, 'out'),
        kind: 'discharge',
        name: 'Way out',
        form: 'daylight',
        receiving: 'slope',
        groundLevel: Math.min(...levels) - ASSUMED_FALL,
        assumed: true,
      };
      puts.push(discharge);
    }
    puts.push({
      id: freeId(job, 'run'),
      kind: 'run',
      from: snag.at,
      to: discharge.id,
      length: ASSUMED_LENGTH,
      assumed: true,
      material: 'smooth',
      nominal: 0.1016,
      grade: { type: 'auto' },
    });
    return [fixOfChange(put(`Run it to ${discharge.name}, to be measured`, ...puts))];
  },
};

const lostWater: Mending = {
  code: 'lostWater',
  candidates: (snag, job) => {
    const element = job.elements.get(snag.at);
    if (element?.kind !== 'roofFace' && element?.kind !== 'surface') return [];
    const target =
      element.kind === 'roofFace'
        ? ofKind(job, 'downspout').find((downspout) => !landsOnGutter(downspout))
        : ofKind(job, 'basin').find(isLanding);
    if (!target) return [];
    return [
      fixOfChange(put(`Lead it to ${nameOf(job, target.id)}`, { ...element, feeds: [{ to: target.id, share: 1 }] })),
    ];
  },
};

const nearBuilding: Mending = {
  code: 'nearBuilding',
  candidates: (snag, job) => {
    const further = snag.limit - snag.figure;
    const runs = ofKind(job, 'run').filter((run) => run.to === snag.at);
    return [
      fixOfChange(
        put(
          `Carry it out to ${text(showLength(snag.limit, headOf(job).units))}`,
          { ...dischargeOf(job, snag.at), buildingDistance: snag.limit },
          ...runs.map((run) => ({ ...run, length: run.length + further })),
        ),
      ),
    ];
  },
};

/** How far inlets should stand clear of the water behind the lid when it is moved, m. */
const CLEAR = METRES_PER_INCH;

const lidAboveInlet: Mending = {
  code: 'lidAboveInlet',
  candidates: (snag, job) => {
    const discharge = dischargeOf(job, snag.at);
    const groundLevel = discharge.groundLevel - snag.figure - CLEAR;
    return [
      fixOfChange(put('Move the pop-up to lower ground, to be found', { ...discharge, groundLevel, assumed: true })),
    ];
  },
};

const popupHolds: Mending = {
  code: 'popupHolds',
  candidates: (snag, job) => {
    const discharge = dischargeOf(job, snag.at);
    const lower = { groundLevel: discharge.groundLevel - snag.figure, assumed: true };
    return [
      fixOfChange(put('Bring it to daylight lower down, to be found', { ...discharge, form: 'daylight', ...lower })),
    ];
  },
};

const budgetAt = (solution: Pick<Solution, 'budgets'>, discharge: string): FallBudget | undefined =>
  solution.budgets.find((budget) => budget.discharge === discharge);

/** Sets every grade of the route back to as shallow as may be. */
function ownPitch(job: Job, budget: FallBudget): Change | null {
  const set = budget.spent.map(({ run }) => runOf(job, run)).filter((run) => run.grade.type !== 'auto');
  if (set.length === 0) return null;
  return put('Let the line find its own pitch', ...set.map((run) => ({ ...run, grade: { type: 'auto' as const } })));
}

/** Less cover, by what is missing, rounded down to a half inch, as far as the least allows. */
function shallower(job: Job, { settings }: Solution, budget: FallBudget): Change | null {
  const step = METRES_PER_INCH / 2;
  const cover = Math.floor((settings.cover + budget.left) / step + 1e-6) * step;
  if (cover < settings.leastCover - 1e-9) return null;
  const { units } = headOf(job);
  const label = `Plan ${text(showSmall(cover, units))} of cover, not ${text(showSmall(settings.cover, units))}`;
  return withSettings(job, label, { cover });
}

/** Large smooth pipe, which may lie flatter, on every stretch of the route that is smaller. */
function flatter(job: Job, { settings }: Solution, budget: FallBudget): Change | null {
  const small = budget.spent.map(({ run }) => runOf(job, run)).filter((run) => run.nominal < settings.largeFrom - 1e-9);
  if (small.length === 0) return null;
  const larger = small.map((run) => ({
    ...resized(run, settings.largeFrom),
    material: run.material === 'doubleWall' ? run.material : ('smooth' as const),
  }));
  return put('Lay larger pipe, which may run flatter', ...larger);
}

/** The ways a crew would try, mildest first. */
const outOfFall: Mending = {
  code: 'outOfFall',
  *candidates(snag, job, solution) {
    const budget = budgetAt(solution, snag.at);
    if (!budget) return;
    const large = flatter(job, solution, budget);
    const least = withSettings(job, 'Plan the least cover', { cover: solution.settings.leastCover });
    const both = large && together(job, 'Lay larger, flatter pipe at the least cover', [large, least]);
    for (const change of [ownPitch(job, budget), shallower(job, solution, budget), large, both])
      if (change) yield fixOfChange(change);
  },
  mends: (after, snag) => (budgetAt(after, snag.at)?.left ?? 0) >= -LEVEL_TOLERANCE,
};

export const wayOut: readonly Mending[] = [noDischarge, lostWater, nearBuilding, lidAboveInlet, popupHolds, outOfFall];
