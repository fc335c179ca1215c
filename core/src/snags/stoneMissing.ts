import { riprapSize, UNKNOWN_TAILWATER } from '../hydraulics/riprap';
import { put } from '../job/change';
import { ofKind } from '../job/job';
import { dischargeOf } from './edits';
import type { Rule } from './snag';

/** Bare or grassed soil begins to scour from about 5 ft/s, m/s. */
const SCOURS_FROM = 1.5;

/** A pipe that comes out fast onto soil, with no stone to take its force. The limit is the stone's median size, m. */
export const stoneMissing: Rule = {
  code: 'stoneMissing',
  find: (job, { runs }) =>
    ofKind(job, 'discharge')
      .filter((discharge) => discharge.form === 'daylight' && discharge.receiving !== 'street' && !discharge.stone)
      .flatMap((discharge) => {
        const fastest = Object.values(runs)
          .filter((run) => run.to === discharge.id && run.velocity > SCOURS_FROM)
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
  fix: (snag, job) => {
    const label = 'Stone will be laid there';
    return { label, change: put(label, { ...dischargeOf(job, snag.at), stone: true }) };
  },
};
