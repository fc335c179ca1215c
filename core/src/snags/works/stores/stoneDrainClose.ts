import { SMALL, workRule } from '../work';
import { doors } from './alike';

export const stoneDrainClose = workRule({
  code: 'stoneDrainClose',
  severity: 'fix',
  measure: 'small',
  find: (make, job, solution) =>
    doors(job, solution)
      .filter(({ freeboard }) => freeboard! >= -SMALL && freeboard! < solution.settings.openingMargin - SMALL)
      .map(({ id, freeboard }) => make(id, freeboard!, solution.settings.openingMargin)),
  tell: (snag, say) => ({
    headline: `Water on the slab at ${say.name(snag.at)} comes within ${say.show('small', snag.figure)} of the sill; keep ${say.show('small', snag.limit)}.`,
    why: 'Leaves and ice take their share of every opening.',
  }),
});
