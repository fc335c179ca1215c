import { SMALL, worksIn, workRule } from '../work';

export const culvertCover = workRule({
  code: 'culvertCover',
  severity: 'fix',
  measure: 'small',
  short: 'cover short',
  find: (make, job, solution) =>
    worksIn(job, solution, 'culvert')
      .filter(({ cover, leastCover }) => cover >= 0 && cover < leastCover - SMALL)
      .map(({ id, cover, leastCover }) => make(id, cover, leastCover)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} has ${say.show('small', snag.figure)} over it; this pipe wants ${say.show('small', snag.limit)} there.`,
    why: 'Wheels crush what lies too shallow. A stiffer or a smaller pipe, two of them, or a lower line.',
  }),
});
