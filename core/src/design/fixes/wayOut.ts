/** Snags of the way out: none there, too high, too near, or too little fall to reach it. */
import { put, type Change } from '../../job/change';
import { freeName, newRun } from '../../job/edits/insert';
import { dischargeOf, resized, runOf, together, withSettings } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import { headOf, nameOf, ofKind, type Job } from '../../job/job';
import { isLanding, landsOnGutter, type Discharge, type Run } from '../../job/kinds';
import type { FallBudget } from '../../network/budget';
import type { Solution } from '../../plan/solution';
import { showLength, showSmall, text } from '../../units';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../../units/constants';
import { inSlab } from './cover';
import { fixOfChange, type Fix, type FixRule } from './fix';
import { free, freed } from './ownPitch';

/** A distance to start from where nobody has paced it yet, m; marked as assumed until somebody does. */
const ASSUMED_LENGTH = 30 * METRES_PER_FOOT;
/** Fall below the lowest landing that an assumed way out is given, m. */
const ASSUMED_FALL = 3 * METRES_PER_FOOT;

const noDischarge: FixRule = {
  code: 'noDischarge',
  *candidates(snag, job) {
    if (!('groundLevel' in job.elements.get(snag.at)!)) return;
    for (const discharge of ofKind(job, 'discharge')) yield ledTo(job, snag.at, discharge, { called: discharge.name });
    const levels = job.elements.all.flatMap((element) => ('groundLevel' in element ? [element.groundLevel] : []));
    const fresh: Discharge = {
      id: freshId('out'),
      kind: 'discharge',
      name: freeName(job, 'Way out'),
      form: 'daylight',
      receiving: 'slope',
      groundLevel: Math.min(...levels) - ASSUMED_FALL,
      assumed: true,
    };
    yield ledTo(job, snag.at, fresh, { called: 'a new way out', fresh });
  },
};

/** A pipe from a landing to a way out, to be measured: of a size that what leads there already has. `fresh`: a way out that is put in with it. */
function ledTo(
  job: Job,
  landing: string,
  discharge: Discharge,
  { called, fresh }: { called: string; fresh?: Discharge },
): Fix {
  const run: Run = { ...newRun(job, freshId('run'), landing, discharge.id, ASSUMED_LENGTH), assumed: true };
  return fixOfChange(put(`Run it to ${called}, to be measured`, ...(fresh ? [fresh] : []), run));
}

const lostWater: FixRule = {
  code: 'lostWater',
  candidates: (snag, job) => {
    const element = job.elements.get(snag.at);
    if (element?.kind !== 'roofFace' && element?.kind !== 'surface') return [];
    const targets =
      element.kind === 'roofFace'
        ? ofKind(job, 'downspout').filter((downspout) => !landsOnGutter(downspout))
        : ofKind(job, 'basin').filter(isLanding);
    return targets.map((target) =>
      fixOfChange(put(`Lead it to ${nameOf(job, target.id)}`, { ...element, feeds: [{ to: target.id, share: 1 }] })),
    );
  },
};

const nearBuilding: FixRule = {
  code: 'nearBuilding',
  candidates: (snag, job, { settings }) => {
    const further = snag.limit - snag.figure;
    const runs = ofKind(job, 'run').filter((run) => run.to === snag.at);
    const discharge = { ...dischargeOf(job, snag.at), buildingDistance: snag.limit };
    const longer = runs.map((run) => ({ ...run, length: run.length + further }));
    const there = text(showLength(snag.limit, headOf(job).units));
    const falls = settings.leastPitch * further;
    const { controlLevel } = discharge;
    const lower: Discharge = {
      ...discharge,
      groundLevel: discharge.groundLevel - falls,
      ...(controlLevel === undefined ? {} : { controlLevel: controlLevel - falls }),
      assumed: true,
    };
    return [
      fixOfChange(put(`Carry it out to ${there}`, discharge, ...longer)),
      fixOfChange(put(`Carry it out to ${there}, where the ground lies lower`, lower, ...longer)),
    ];
  },
};

const budgetAt = (solution: Pick<Solution, 'budgets'>, discharge: string): FallBudget | undefined =>
  solution.budgets.find((budget) => budget.discharge === discharge);

/** Sets every grade of the route back to as shallow as may be. */
function ownPitch(job: Job, budget: FallBudget): Change | null {
  const set = budget.spent.map(({ run }) => runOf(job, run)).filter((run) => run.grade.type !== 'auto');
  return set.length === 0 ? null : free(set).change;
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
const outOfFall: FixRule = {
  code: 'outOfFall',
  *candidates(snag, job, solution) {
    const budget = budgetAt(solution, snag.at);
    if (!budget) return;
    const ends = runOf(job, snag.other!);
    if (ends.grade.type !== 'auto') yield* freed(job, ends.id);
    yield* inSlab(
      job,
      budget.spent.map(({ run }) => runOf(job, run)),
    );
    const large = flatter(job, solution, budget);
    const least = withSettings(job, 'Plan the least cover', { cover: solution.settings.leastCover });
    const both = large && together(job, 'Lay larger, flatter pipe at the least cover', [large, least]);
    for (const change of [ownPitch(job, budget), shallower(job, solution, budget), large, both, least])
      if (change) yield fixOfChange(change);
    const head = headOf(job);
    if (head.pitchStyle === 'single')
      yield fixOfChange(put('Follow the ground, not one pitch', { ...head, pitchStyle: 'ground' }));
  },
};

export const wayOut: readonly FixRule[] = [noDischarge, lostWater, nearBuilding, outOfFall];
