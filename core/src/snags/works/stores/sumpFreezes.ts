import { ofKind } from '../../../job/job';
import { workRule } from '../work';

/** A house's sump line that has no way out of its own once it is frozen or blocked. */
export const sumpFreezes = workRule({
  code: 'sumpFreezes',
  severity: 'mind',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'fixedFlow')
      .filter(({ origin, freezeOverflow }) => origin === 'sump' && !freezeOverflow)
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} has no freeze overflow outside the wall.`,
    why: 'Once the line in the yard is frozen or blocked the pump pushes against ice, and the cellar fills.',
    instead: 'Fit one where the line leaves the wall, so that it spills there, and away from the wall.',
  }),
});
