import { riprapSize, UNKNOWN_TAILWATER } from '../hydraulics/riprap';
import { OUTFALLS, RECEIVING_FACTS, receivingOf } from '../catalogue/outfalls';
import { ofKind } from '../job/job';
import type { Discharge } from '../job/kinds';
import { runsInto } from './runsInto';
import type { Rule } from './snag';

/** Bare or grassed soil begins to scour from about 5 ft/s, m/s. */
const SCOURS_FROM = 1.5;

/** Whether what is let out there can wash soil away. */
const scours = (discharge: Discharge): boolean =>
  OUTFALLS[discharge.form].scours && RECEIVING_FACTS[receivingOf(discharge)].soil;

/** A pipe that comes out fast onto soil, with no stone to take its force. The limit is the stone's median size, m. */
export const stoneMissing: Rule = {
  code: 'stoneMissing',
  find: (job, { runs }) =>
    ofKind(job, 'discharge')
      .filter((discharge) => scours(discharge) && !discharge.stone)
      .flatMap((discharge) => {
        const fastest = (runsInto(runs).get(discharge.id) ?? [])
          .filter((run) => run.velocity > SCOURS_FROM)
          .sort((a, b) => b.velocity - a.velocity)[0];
        if (!fastest) return [];
        const stone = riprapSize({
          diameter: fastest.diameter,
          flow: fastest.flow,
          tailwater: Math.max(UNKNOWN_TAILWATER * fastest.diameter, fastest.waterDown - fastest.invertDown),
        });
        return [
          {
            code: 'stoneMissing',
            severity: 'fix' as const,
            at: discharge.id,
            other: fastest.id,
            measure: 'velocity' as const,
            figure: fastest.velocity,
            limit: SCOURS_FROM,
            stone,
          },
        ];
      }),
  tell: (snag, say) => ({
    headline: `Water leaves ${say.name(snag.at)} at ${say.show('velocity', snag.figure)}, onto soil.`,
    why: `From about ${say.show('velocity', snag.limit)} it scours a hole and undermines the pipe. Lay an apron of stone, middling size ${say.show('small', snag.stone ?? 0)} or more.`,
  }),
};
