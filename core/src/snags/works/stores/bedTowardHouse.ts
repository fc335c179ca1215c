import { ofKind } from '../../../job/job';
import { workRule } from '../work';

export const bedTowardHouse = workRule({
  code: 'bedTowardHouse',
  severity: 'stop',
  measure: 'pitch',
  find: (make, job) =>
    ofKind(job, 'pavedBed')
      .filter(({ fall }) => fall !== undefined && fall < 0)
      .map(({ id, fall }) => make(id, fall!, 0)),
  tell: (snag, say) => ({
    headline: `The floor of ${say.name(snag.at)} falls toward the building.`,
    why: 'A bed slopes away as its top does, or it leads all that it takes in to the footing.',
  }),
});
