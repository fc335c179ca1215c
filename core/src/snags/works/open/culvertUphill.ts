import { worksIn, workRule } from '../work';

export const culvertUphill = workRule({
  code: 'culvertUphill',
  severity: 'stop',
  measure: 'pitch',
  find: (make, job, solution) =>
    worksIn(job, solution, 'culvert')
      .filter(({ pitch }) => pitch < -1e-9)
      .map(({ id, pitch }) => make(id, pitch, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} falls the wrong way, ${say.show('pitch', snag.figure)}.`,
    why: 'It holds water and silts up from its inlet.',
  }),
});
