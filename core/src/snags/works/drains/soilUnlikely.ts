import { unlikeSoil } from '../../../works/drain';
import { worksIn, workRule } from '../work';

export const soilUnlikely = workRule({
  code: 'soilUnlikely',
  severity: 'mind',
  measure: 'count',
  find: (make, job, solution) =>
    worksIn(job, solution, 'drain', 'drainField').flatMap((plan) => (unlikeSoil(plan) ? [make(plan.id, 0, 1)] : [])),
  tell: (snag, say) => ({
    headline: `The conductivity given for ${say.name(snag.at)} is a hundred times off for its soil.`,
    why: 'The spacing rests on it. Test a hole again, or name the soil anew.',
    instead: 'Dig a hole with the auger, fill it, and time how it falls.',
  }),
});
