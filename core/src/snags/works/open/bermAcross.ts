import { ofKind } from '../../../job/job';
import { placesOf } from '../../../job/places';
import { crosses } from './alike';
import { workRule } from '../work';

export const bermAcross = workRule({
  code: 'bermAcross',
  severity: 'stop',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'berm').flatMap((berm) => {
      const across = ofKind(job, 'swale').find((swale) => crosses(placesOf(berm), placesOf(swale)));
      return across ? [make(berm.id, 1, 0, { other: across.id })] : [];
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} lies across ${say.name(snag.other!)}.`,
    why: 'It dams the way that its water should take.',
    instead: 'Leave a gap where the swale passes, or lead it round.',
  }),
});
