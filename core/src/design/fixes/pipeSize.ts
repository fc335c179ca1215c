/** Snags that a larger, smoother or steeper pipe mends. */
import { MATERIAL_FACTS, NOMINAL_SIZES } from '../../catalogue/pipes';
import { put } from '../../job/change';
import { downstream, resized, runOf, sizeDown } from '../../job/edits/pipes';
import { headOf, type Job } from '../../job/job';
import { choicesOf } from '../../network/choices';
import { showNominal, text } from '../../units';
import { fixOfChange, type FixRule } from './fix';

/** A nominal size (m) in the job's units. */
const called = (job: Job, nominal: number): string => text(showNominal(nominal, headOf(job).units));

/** So many of one size are laid in one trench. */
const SIDE_BY_SIDE = [2, 3];

const capacityExceeded: FixRule = {
  code: 'capacityExceeded',
  *candidates(snag, job) {
    const run = runOf(job, snag.at);
    const { smooth } = MATERIAL_FACTS;
    if (MATERIAL_FACTS[run.material].roughness > smooth.roughness)
      yield fixOfChange(put(`Make it ${smooth.label.replace('Smooth', 'smooth')}`, { ...run, material: 'smooth' }));
    // A larger pipe lies deeper or flatter than the present one, so each size is tried in the whole line.
    for (const nominal of NOMINAL_SIZES)
      if (nominal > run.nominal + 1e-9)
        yield fixOfChange(sizeDown(job, run, nominal, `Make it ${called(job, nominal)}`));
    for (const parallel of SIDE_BY_SIDE)
      if (parallel > (run.parallel ?? 1)) yield fixOfChange(put(`Lay ${parallel} side by side`, { ...run, parallel }));
  },
};

const largerIntoSmaller: FixRule = {
  code: 'largerIntoSmaller',
  *candidates(snag, job, { runs }) {
    // As wide as the widest that comes in, so that one tap does for all of them.
    const widest = Math.max(snag.limit, runs[snag.at]!.widestAbove);
    yield fixOfChange(sizeDown(job, runOf(job, snag.at), widest, `Make it ${called(job, widest)}`));
    const above = snag.other === undefined ? undefined : runOf(job, snag.other);
    if (above) yield fixOfChange(put(`Make what comes to it ${called(job, snag.figure)}`, resized(above, snag.figure)));
  },
};

/** Every smaller pipe below a landing brought up to one size. */
const waterOverGrate: FixRule = {
  code: 'waterOverGrate',
  *candidates(snag, job) {
    for (const nominal of NOMINAL_SIZES) {
      const small = downstream(job, snag.at).filter((run) => run.nominal < nominal - 1e-9);
      if (small.length > 0)
        yield fixOfChange(
          put(`Lay ${called(job, nominal)} from here down`, ...small.map((run) => resized(run, nominal))),
        );
    }
  },
};

/** Pitches that a crew would set on purpose, m/m: 1½, 2, 3 and 4 %. */
const STEEPER = [0.015, 0.02, 0.03, 0.04];

const willSilt: FixRule = {
  code: 'willSilt',
  *candidates(snag, job, solution) {
    const run = runOf(job, snag.at);
    for (const { nominal, verdict } of choicesOf(solution, solution.runs[run.id]!))
      if (verdict === 'works') yield fixOfChange(put(`Make it ${called(job, nominal)}`, resized(run, nominal)));
    for (const pitch of STEEPER)
      yield fixOfChange(put(`Set it to ${pitch * 100}% pitch`, { ...run, grade: { type: 'pitch', pitch } }));
  },
};

export const pipeSize: readonly FixRule[] = [capacityExceeded, largerIntoSmaller, waterOverGrate, willSilt];
