import { SMALL, worksIn, workRule } from '../work';

/** Top of open stone below the slab, m: 2 in. */
const BELOW_SLAB = 0.0508;

export const stoneHigh = workRule({
  code: 'stoneHigh',
  severity: 'fix',
  measure: 'small',
  find: (make, job, solution) =>
    worksIn(job, solution, 'stoneDrain')
      .filter(({ below }) => below !== null && below < BELOW_SLAB - SMALL)
      .map(({ id, below }) => make(id, below!, BELOW_SLAB)),
  tell: (snag, say) => ({
    headline: `The stone of ${say.name(snag.at)} comes ${say.show('small', snag.figure)} below the slab; keep ${say.show('small', snag.limit)}.`,
    why: 'Silt and grass raise it in a few years, and then it dams the slab.',
  }),
});
