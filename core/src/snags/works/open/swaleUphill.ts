import { worksIn, workRule } from '../work';

export const swaleUphill = workRule({
  code: 'swaleUphill',
  severity: 'stop',
  measure: 'pitch',
  short: 'uphill',
  find: (make, job, solution) =>
    worksIn(job, solution, 'swale')
      .filter(({ pitch, length }) => pitch <= 0 || length <= 0)
      .map(({ id, pitch }) => make(id, pitch, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} does not fall: ${say.show('pitch', snag.figure)} from its head to its foot.`,
    why: 'Water stands in it. Set its two ends, cut its foot deeper, or turn it the other way.',
  }),
});
