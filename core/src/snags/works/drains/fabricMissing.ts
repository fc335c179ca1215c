import { SOIL_FACTS, SOILS } from '../../../catalogue/soils';
import { headOf, ofKind } from '../../../job/job';
import { soilOf } from '../../../works/measures';
import { workRule } from '../work';

/** Stone or a pipe in soil with nothing between: its fines come in. The snag's figure is the soil's place in the list. */
export const fabricMissing = workRule({
  code: 'fabricMissing',
  severity: 'fix',
  measure: 'count',
  find: (make, job) =>
    [...ofKind(job, 'drain'), ...ofKind(job, 'drainField'), ...ofKind(job, 'stoneDrain')]
      .filter(({ fabric }) => fabric === 'none')
      .map((work) => {
        const soil = soilOf(work, headOf(job).soil);
        // Clay holds together, and brings fewer.
        return make(work.id, SOILS.indexOf(soil), -1, soil === 'clay' ? { severity: 'mind' } : {});
      }),
  tell: (snag, say) => ({
    headline: `No fabric keeps the soil out of ${say.name(snag.at)}.`,
    why:
      snag.severity === 'mind'
        ? 'Clay holds together, yet what comes loose stays between the stones, and no flushing brings it out.'
        : `${SOIL_FACTS[SOILS[snag.figure]!].label} brings fines with its water: they fill the stones and settle in the pipe, and no flushing brings them out again.`,
  }),
});
