import { ofKind } from '../../job/job';
import { mainCapacityOf } from '../../network/receiving';
import type { Rule, Snag } from '../snag';

/** Share of an existing main's capacity from which it counts as near full. */
const NEAR = 0.9;

/** An existing main that has no room, or little, for what this job adds. */
export const mainFull: Rule = {
  code: 'mainFull',
  short: 'main is full',
  find: (job, { landings }) =>
    ofKind(job, 'discharge').flatMap((discharge): Snag[] => {
      const capacity = mainCapacityOf(discharge);
      if (capacity === null) return [];
      const carried = (discharge.mainUsed ?? 0) + landings[discharge.id]!.passing;
      if (carried < NEAR * capacity) return [];
      return [
        {
          code: 'mainFull',
          severity: carried > capacity ? 'stop' : 'mind',
          at: discharge.id,
          measure: 'flow',
          figure: carried,
          limit: capacity,
        },
      ];
    }),
  tell: (snag, say) => ({
    headline:
      snag.figure > snag.limit
        ? `${say.name(snag.at)} has no room: ${say.show('flow', snag.figure)} in a main that holds ${say.show('flow', snag.limit)}.`
        : `${say.name(snag.at)} is near full: ${say.show('flow', snag.figure)} of ${say.show('flow', snag.limit)}.`,
    why: 'What an overfull main cannot take comes up at somebody’s lowest inlet, not always yours. Ask whose main it is, and never join a sanitary sewer.',
    instead: 'Find another way out, hold water back before it, or have a larger main laid.',
  }),
};
