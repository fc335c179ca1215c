/** A run with too little over it: laid by itself, of a pipe that bears the wheels, deeper, or with a bend before the ground drops away. */
import { MATERIAL_FACTS, type Material } from '../../catalogue/pipes';
import { put } from '../../job/change';
import { freeName, splitRun } from '../../job/edits/insert';
import { runOf } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import type { Junction, Run } from '../../job/kinds';
import { groundAlong } from '../../network/groundAlong';
import { showSmall, text } from '../../units';
import { headOf, type Job } from '../../job/job';
import { fixOfChange, type Fix, type FixRule } from './fix';
import { freed } from './ownPitch';

const STIFFER: readonly Material[] = ['doubleWall', 'smooth'];
/** Shares of the way to where the ground drops away at which a bend is tried. */
const BENDS = [1, 0.75, 0.5];

/** A channel stands in a slab, and so may what leaves it: whether it does is for whoever knows the place to say. */
export function* inSlab(job: Job, runs: readonly Run[]): Generator<Fix> {
  const from = runs.filter(({ from, under }) => job.elements.get(from)?.kind === 'channel' && under === undefined);
  if (from.length > 0)
    yield fixOfChange(put('Say that it lies in the slab', ...from.map((run) => ({ ...run, under: 'slab' as const }))));
}

export const cover: FixRule = {
  code: 'coverShort',
  *candidates(snag, job, solution) {
    const run = runOf(job, snag.at);
    const planned = solution.runs[snag.at]!;
    yield* freed(job, snag.at);
    if (run.under === 'cars') {
      for (const material of STIFFER)
        if (MATERIAL_FACTS[material].leastCoverUnderCars < MATERIAL_FACTS[run.material].leastCoverUnderCars)
          yield fixOfChange(put(`Lay ${MATERIAL_FACTS[material].label} under the cars`, { ...run, material }));
    }
    yield* inSlab(job, [run]);
    const deeper = planned.invertUp - (snag.limit - snag.figure);
    const lower = text(showSmall(snag.limit - snag.figure, headOf(job).units));
    yield fixOfChange(put(`Start it ${lower} deeper`, { ...run, grade: { type: 'levels', up: deeper } }));
    if (snag.length === undefined) return;
    for (const share of BENDS) {
      const along = (run.length - snag.length) * share;
      if (along < 1) continue;
      const bend: Junction = {
        id: freshId('bend'),
        kind: 'junction',
        form: 'bend',
        name: freeName(job, 'Bend'),
        groundLevel: groundAlong(planned, along),
      };
      const label = 'Put in a bend where it comes near the ground';
      yield {
        label,
        change: { ...splitRun({ ...run, grade: { type: 'auto' } }, bend, freshId('runBelowBend'), along), label },
      };
    }
  },
};
