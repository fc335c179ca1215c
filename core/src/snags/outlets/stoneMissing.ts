import { apronStone } from '../../hydraulics/riprap';
import { scoursAt } from '../../catalogue/outfalls';
import { ofKind } from '../../job/job';
import type { Discharge } from '../../job/kinds';
import type { RunPlan } from '../../plan/solution';
import { runsInto } from '../runsInto';
import type { Rule } from '../snag';

/** Bare or grassed soil begins to scour from about 5 ft/s, m/s. */
const SCOURS_FROM = 1.5;

/** Whether what is let out there can wash soil away. */

/** Stone for one pipe of a run, m, in what is known to stand before it in the design rain. */
const stoneFor = (run: RunPlan, { standingLevel }: Discharge): number =>
  apronStone({
    velocity: run.topVelocity,
    diameter: run.diameter,
    flow: run.flow / run.parallel,
    ...(standingLevel === undefined ? {} : { tailwater: standingLevel - run.invertDown }),
  });

/** A pipe that comes out fast onto soil, with no stone to take its force. Of several the one that wants the largest stone, which is not always the fastest. */
export const stoneMissing: Rule = {
  code: 'stoneMissing',
  find: (job, { runs }) =>
    ofKind(job, 'discharge')
      .filter(scoursAt)
      .flatMap((discharge) => {
        const worst = (runsInto(job, runs).get(discharge.id) ?? [])
          .filter((run) => run.topVelocity > SCOURS_FROM)
          .map((run) => ({ run, stone: stoneFor(run, discharge) }))
          .sort((a, b) => b.stone - a.stone)[0];
        if (!worst) return [];
        const { run, stone } = worst;
        return [
          {
            code: 'stoneMissing',
            severity: 'fix' as const,
            at: discharge.id,
            other: run.id,
            measure: 'velocity' as const,
            figure: run.topVelocity,
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
