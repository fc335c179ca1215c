import { ofKind } from '../../../job/job';
import { workRule } from '../work';

export const grateAtEnd = workRule({
  code: 'grateAtEnd',
  severity: 'fix',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'discharge')
      .filter(({ end }) => end === 'grate')
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `A grate closes the end of the line at ${say.name(snag.at)}.`,
    why: 'Leaves and sticks float up to it from inside and plug it. A guard that swings open keeps animals out and lets them go.',
  }),
});
