import { SMALL, worksIn, workRule } from '../work';

export const swaleOver = workRule({
  code: 'swaleOver',
  severity: 'stop',
  measure: 'flow',
  short: 'runs over',
  find: (make, job, solution) =>
    worksIn(job, solution, 'swale')
      .filter(({ pitch, freeboard }) => pitch > 0 && freeboard < -SMALL)
      .map(({ id, flow, capacity }) => make(id, flow, capacity)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} runs over: ${say.show('flow', snag.figure)} comes, it carries ${say.show('flow', snag.limit)} to its bank.`,
    why: 'What runs over its bank goes wherever the ground lets it.',
  }),
});
