/** One plain sentence about the whole job, from the worst thing known. */
import { headOf, ofKind, rainOf, type Job } from '../job/job';
import type { Discharge } from '../job/kinds';
import { OUTFALLS, RECEIVING_FACTS, receivingOf } from '../catalogue/outfalls';
import { notJudged } from '../snags/inlets/doorNotJudged';
import type { Severity, Snag } from '../snags/snag';
import { LEAST_SHORT } from '../numeric/tolerance';
import type { Solution } from '../plan/solution';
import { showSmall, text } from '../units';
import { tellSnag } from '../snags/tell';

export interface Verdict {
  /** `holds` when nothing needs doing; `empty` when there is nothing to judge yet. */
  state: Severity | 'holds' | 'empty';
  sentence: string;
  /** Element to go to, by id. */
  at: string | null;
  stops: number;
  fixes: number;
  minds: number;
}

const COUNTED = { stop: 'stops', fix: 'fixes', mind: 'minds' } as const;

export function verdictOf(job: Job, solution: Solution, snags: Snag[]): Verdict {
  const counts = { stops: 0, fixes: 0, minds: 0 };
  for (const { severity } of snags) counts[COUNTED[severity]]++;
  const worst = snags[0];
  if (Object.keys(solution.landings).length === 0 && solution.sources.contributingAreas.length === 0) {
    return { state: 'empty', sentence: 'Nothing here yet: start with a roof and a way out.', at: null, ...counts };
  }
  if ((worst?.code === 'openingFloods' || worst?.code === 'doorFloods') && counts.stops + counts.fixes === 1) {
    // All works in the rain that it is sized by: the whole is said, and then what that does not cover.
    const { headline } = tellSnag(job, solution, worst);
    return {
      state: 'stop',
      sentence: `Carries ${stormOf(job)}; ${headline.charAt(0).toLowerCase()}${headline.slice(1)}`,
      at: worst.at,
      ...counts,
    };
  }
  if (worst && worst.severity !== 'mind') {
    return { state: worst.severity, sentence: tellSnag(job, solution, worst).headline, at: worst.at, ...counts };
  }
  return { state: worst ? 'mind' : 'holds', sentence: carries(job, solution), at: worst?.at ?? null, ...counts };
}

function stormOf(job: Job): string {
  const rain = rainOf(job);
  return rain && rain.source.type !== 'typed' ? `the ${rain.source.returnPeriod}-year rain` : 'the design rain';
}

/** What takes the water of a way out, in a sentence. */
const called = (discharge: Discharge): string =>
  OUTFALLS[discharge.form].called ??
  (OUTFALLS[discharge.form].calledByName ? discharge.name : RECEIVING_FACTS[receivingOf(discharge)].called);

function carries(job: Job, solution: Solution): string {
  const discharges = ofKind(job, 'discharge').filter((discharge) => solution.landings[discharge.id]!.passing > 0);
  if (discharges.length === 0) return 'No water reaches a way out yet.';
  const where = discharges.length === 1 ? called(discharges[0]!) : `${discharges.length} ways out`;
  const spare = solution.budgets[0]?.left ?? 0;
  const isJudged = solution.openings !== null && notJudged(solution).length === 0;
  const dry = isJudged ? `; openings stay dry in the ${solution.openings!.returnPeriod}-year` : '';
  // A pop-up's lid, or water at the way out, may stand higher than the pipe: what fall there is cannot be spared.
  const fall =
    spare < -LEAST_SHORT
      ? '; its line stands full'
      : ` with ${text(showSmall(Math.max(0, spare), headOf(job).units))} of fall to spare, for pitch alone`;
  return `Carries ${stormOf(job)} to ${where}${fall}${dry}.`;
}
