/** A cleanout put in where a line runs too far without one. */
import { put } from '../../job/change';
import { freeName, splitRun } from '../../job/edits/insert';
import { freeId, runOf } from '../../job/edits/pipes';
import type { Junction } from '../../job/kinds';
import { accessReaches } from '../../snags/noCleanout';
import { fixOfChange, type Mending } from './fix';

/** Nearer than this to the head of a run there is nothing to split, m: the junction there is brought to grade itself. */
const AT_HEAD = 1;

export const cleanout: Mending = {
  code: 'noCleanout',
  candidates: (snag, job, solution) => {
    const run = runOf(job, snag.at);
    const { groundUp, groundDown } = solution.runs[snag.at]!;
    const { start } = accessReaches(job, solution).find((each) => each.run === snag.at)!;
    const along = snag.limit - start;
    if (along < AT_HEAD || along > run.length - 0.01) {
      const head = job.elements.get(run.from);
      if (head?.kind !== 'junction' || head.form === 'wye') return [];
      return [fixOfChange(put(`Bring ${head.name} to grade as a cleanout`, { ...head, form: 'cleanout' }))];
    }
    const landing: Junction = {
      id: freeId(job, 'cleanout'),
      kind: 'junction',
      form: 'cleanout',
      name: freeName(job, 'Cleanout'),
      groundLevel: groundUp + ((groundDown - groundUp) * along) / run.length,
    };
    const label = 'Put in a cleanout';
    return [{ label, change: { ...splitRun(run, landing, freeId(job, 'runBelowCleanout'), along), label } }];
  },
};
