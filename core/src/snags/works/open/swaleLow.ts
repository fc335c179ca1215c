import { LEAST_FREEBOARD } from '../../../works/swale';
import { SMALL, worksIn, workRule } from '../work';

export const swaleLow = workRule({
  code: 'swaleLow',
  severity: 'fix',
  measure: 'small',
  short: 'low bank',
  find: (make, job, solution) =>
    worksIn(job, solution, 'swale')
      .filter(({ pitch, freeboard }) => pitch > 0 && freeboard >= -SMALL && freeboard < LEAST_FREEBOARD - SMALL)
      .map(({ id, freeboard }) => make(id, freeboard, LEAST_FREEBOARD)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} runs ${say.show('small', snag.figure)} under its bank; keep ${say.show('small', snag.limit)}.`,
    why: 'Grass grows, silt settles and the next storm is larger.',
  }),
});
