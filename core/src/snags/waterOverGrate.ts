import { NOMINAL_SIZES } from '../catalogue/pipes';
import { applyChange, type Change } from '../job/change';
import { elementOf, headOf, type Job } from '../job/job';
import { solve } from '../solve';
import { showNominal, text } from '../units';
import { downstream, resized } from './edits';
import { LEVEL_TOLERANCE, type Fix, type Rule, type Snag } from './snag';

/** The least enlarging of the line below a landing, every smaller pipe brought up to one size, that keeps its water under its grate. */
function largerBelow(job: Job, landing: string): Fix | null {
  for (const nominal of NOMINAL_SIZES) {
    const small = downstream(job, landing).filter((run) => run.nominal < nominal - 1e-9);
    if (small.length === 0) continue;
    const label = `Lay ${text(showNominal(nominal, headOf(job).units))} from here down`;
    const change: Change = { label, puts: small.map((run) => resized(run, nominal)), removes: [] };
    const after = solve(applyChange(job, change).job).landings[landing]!;
    if (after.waterLevel! <= after.groundLevel - LEVEL_TOLERANCE) return { label, change };
  }
  return null;
}

/** The water line stands over an inlet: it gives water instead of taking it. Behind a pop-up, `lidAboveInlet` tells. */
export const waterOverGrate: Rule = {
  code: 'waterOverGrate',
  find: (job, { landings }) =>
    Object.values(landings).flatMap((landing): Snag[] => {
      if (landing.waterLevel === null || landing.kind === 'discharge' || landing.kind === 'junction') return [];
      if (elementOf(job, 'discharge', landing.outlet ?? '')?.form === 'popup') return [];
      const over = landing.waterLevel - landing.groundLevel;
      return over <= LEVEL_TOLERANCE
        ? []
        : [{ code: 'waterOverGrate', severity: 'stop', at: landing.id, measure: 'small', figure: over, limit: 0 }];
    }),
  tell: (snag, say) => ({
    headline: `Water comes out of ${say.name(snag.at)}, ${say.show('small', snag.figure)} over the ground.`,
    why: 'In the design rain the line below is so loaded that its water line stands higher than this inlet. It becomes an outlet.',
  }),
  fix: (snag, job) => largerBelow(job, snag.at),
};
