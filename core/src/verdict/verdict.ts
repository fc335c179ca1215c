/** One plain sentence about the whole job, from the worst thing known. */
import { headOf, nameOf, ofKind, rainOf, type Job } from '../job/job';
import type { Discharge } from '../job/kinds';
import { OUTFALLS, RECEIVING_FACTS, receivingOf } from '../catalogue/outfalls';
import { notJudged } from '../snags/inlets/doorNotJudged';
import type { Severity, Snag } from '../snags/snag';
import { LEAST_SHORT } from '../numeric/tolerance';
import { openWayLines } from '../plan/openWay';
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

/** `all`: what is accepted to be minded counts no more; what the customer wants otherwise than it should be is minded still, and said first. */
export function verdictOf(job: Job, solution: Solution, all: Snag[]): Verdict {
  const snags = all.filter(({ accepted }) => !accepted);
  const wanted = all.filter(({ accepted, severity }) => accepted && severity === 'fix');
  const counts = { stops: 0, fixes: 0, minds: wanted.length };
  for (const { severity } of snags) counts[COUNTED[severity]]++;
  const worst = snags[0];
  const isBare = Object.keys(solution.landings).length === 0 && Object.keys(solution.works).length === 0;
  if (isBare && solution.sources.contributingAreas.length === 0) {
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
  const [otherwise] = wanted;
  if (otherwise) {
    const { headline } = tellSnag(job, solution, otherwise);
    return { state: 'mind', sentence: `As the customer wants it: ${headline}`, at: otherwise.at, ...counts };
  }
  const sentence = carries(job, solution);
  if (sentence === null)
    return { state: worst ? 'mind' : 'empty', sentence: NOTHING_YET, at: worst?.at ?? null, ...counts };
  return { state: worst ? 'mind' : 'holds', sentence, at: worst?.at ?? null, ...counts };
}

function stormOf(job: Job): string {
  const rain = rainOf(job);
  return rain && rain.source.type !== 'typed' ? `the ${rain.source.returnPeriod}-year rain` : 'the design rain';
}

/** What takes the water of a way out, in a sentence. */
const called = (discharge: Discharge): string =>
  OUTFALLS[discharge.form].called ??
  (OUTFALLS[discharge.form].calledByName ? discharge.name : RECEIVING_FACTS[receivingOf(discharge)].called);

const NOTHING_YET = 'No water reaches a way out yet.';

/** Down swales and through culverts that run off the job. */
function downWays(job: Job, { works }: Solution): { to: string; spare: string }[] {
  return openWayLines(job, { works }).flatMap(({ ways, to, tightest }) => {
    if (to !== null || !tightest) return [];
    const edge = job.elements.get(tightest.id)!.kind === 'culvert' ? 'road' : 'bank';
    const spare = text(showSmall(Math.max(0, tightest.left), headOf(job).units));
    return [
      ways.length === 1
        ? { to: `${ways[0]!.name} and off the job`, spare: `, ${spare} under its ${edge}` }
        : {
            to: `${ways.map(({ name }) => name).join(', ')} and off the job`,
            spare: `, ${spare} under the ${edge} at ${nameOf(job, tightest.id)}`,
          },
    ];
  });
}

/** That openings do, said only where every one of them was judged. */
const staysDry = (solution: Solution): string =>
  solution.openings !== null && notJudged(solution).length === 0
    ? `; openings stay dry in the ${solution.openings.returnPeriod}-year`
    : '';

/** Null where no water gets anywhere. */
function carries(job: Job, solution: Solution): string | null {
  // What runs on through a channel has not left the job there.
  const discharges = ofKind(job, 'discharge').filter(
    ({ id, form }) => solution.landings[id]!.passing > 0 && !OUTFALLS[form].inChannel,
  );
  const ways = downWays(job, solution);
  if (discharges.length === 0 && ways.length === 1)
    return `Carries ${stormOf(job)} down ${ways[0]!.to}${ways[0]!.spare}${staysDry(solution)}.`;
  if (discharges.length + ways.length === 0) return null;
  const where =
    discharges.length + ways.length === 1 ? called(discharges[0]!) : `${discharges.length + ways.length} ways out`;
  if (discharges.length === 0) return `Carries ${stormOf(job)} to ${where}${staysDry(solution)}.`;
  const spare = solution.budgets[0]?.left ?? 0;
  // A pop-up's lid, or water at the way out, may stand higher than the pipe: what fall there is cannot be spared.
  const fall =
    spare < -LEAST_SHORT
      ? '; its line stands full'
      : ` with ${text(showSmall(Math.max(0, spare), headOf(job).units))} of fall to spare, for pitch alone`;
  return `Carries ${stormOf(job)} to ${where}${fall}${staysDry(solution)}.`;
}
