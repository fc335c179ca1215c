import { elementOf, ofKind, type Job } from '../../../job/job';
import { lengthOver } from '../../../works/beneath';
import { lengthOf } from '../../../works/measures';
import { LEAST_FALL } from '../../../works/swale';
import { worksIn, workRule } from '../work';

/** Whether a drain lies under a swale, for the half of it at least. */
function hasDrainUnder(job: Job, id: string): boolean {
  const swale = elementOf(job, 'swale', id)!;
  return ofKind(job, 'drain').some((drain) => lengthOver(swale, drain) > lengthOf(swale) / 2);
}

export const swaleFlat = workRule({
  code: 'swaleFlat',
  severity: 'mind',
  measure: 'pitch',
  find: (make, job, solution) =>
    worksIn(job, solution, 'swale')
      .filter(({ id, pitch }) => pitch > 0 && pitch < LEAST_FALL - 1e-6 && !hasDrainUnder(job, id))
      .map(({ id, pitch }) => make(id, pitch, LEAST_FALL)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} falls ${say.show('pitch', snag.figure)}; under ${say.show('pitch', snag.limit)} grass stays wet.`,
    why: 'It carries a storm, and is soft for days after. A subsurface drain under its floor dries it.',
  }),
});
