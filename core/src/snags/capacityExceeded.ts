import { MATERIAL_FACTS, NOMINAL_SIZES } from '../catalogue/pipes';
import { applyChange, put } from '../job/change';
import { headOf } from '../job/job';
import { solve } from '../solve';
import { showNominal, text } from '../units';
import { runOf, sizeDown } from './edits';
import type { Rule } from './snag';

/** More water than the pipe carries full. */
export const capacityExceeded: Rule = {
  code: 'capacityExceeded',
  find: (_, { runs }) =>
    Object.values(runs)
      .filter((run) => run.pitch > 0 && run.overloaded)
      .map((run) => ({
        code: 'capacityExceeded',
        severity: 'fix',
        at: run.id,
        measure: 'flow',
        figure: run.flow,
        limit: run.capacity,
      })),
  tell: (snag, say) => ({
    headline:
      say.show('flow', snag.figure) === say.show('flow', snag.limit)
        ? `${say.name(snag.at)} is a little too small for its ${say.show('flow', snag.figure)}.`
        : `${say.name(snag.at)} is too small: ${say.show('flow', snag.figure)} in a pipe that holds ${say.show('flow', snag.limit)}.`,
    why: 'In the design rain it runs under pressure, and water comes back up at the inlets above it.',
  }),
  fix: (snag, job) => {
    const run = runOf(job, snag.at);
    if (MATERIAL_FACTS[run.material].roughness > MATERIAL_FACTS.smooth.roughness) {
      const { label: smooth } = MATERIAL_FACTS.smooth;
      const change = put(`Make it ${smooth.replace('Smooth', 'smooth')}`, { ...run, material: 'smooth' });
      if (!solve(applyChange(job, change).job).runs[run.id]!.overloaded) return { label: change.label, change };
    }
    // A larger pipe lies deeper or flatter than the present one, so each size is tried in the whole line.
    for (const nominal of NOMINAL_SIZES) {
      if (nominal <= run.nominal + 1e-9) continue;
      const label = `Make it ${text(showNominal(nominal, headOf(job).units))}`;
      const change = sizeDown(job, run, nominal, label);
      if (!solve(applyChange(job, change).job).runs[run.id]!.overloaded) return { label, change };
    }
    return null;
  },
};
