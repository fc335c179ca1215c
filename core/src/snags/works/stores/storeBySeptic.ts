import { elementOf, ofKind, type Job } from '../../../job/job';
import { type Place, distanceTo, footOnWay } from '../../../site/place';
import { worksIn, workRule } from '../work';

/** From a septic field, m: 50 ft; the local rule governs. */
const SEPTIC = 15.24;

function fromSeptic(job: Job, place: Place | undefined): number {
  if (!place) return Number.POSITIVE_INFINITY;
  return Math.min(
    Number.POSITIVE_INFINITY,
    ...ofKind(job, 'service').map(({ form, way = [] }) =>
      form !== 'septicField'
        ? Infinity
        : way.length > 2
          ? distanceTo(way, place)
          : (footOnWay(way, place)?.distance ?? Infinity),
    ),
  );
}

export const storeBySeptic = workRule({
  code: 'storeBySeptic',
  severity: 'fix',
  measure: 'length',
  find: (make, job, solution) =>
    worksIn(job, solution, 'store')
      .map(({ id }) => ({ id, away: fromSeptic(job, elementOf(job, 'discharge', id)?.place) }))
      .filter(({ away }) => away < SEPTIC)
      .map(({ id, away }) => make(id, away, SEPTIC)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} soaks away ${say.show('length', snag.figure)} from a septic field; keep ${say.show('length', snag.limit)}.`,
    why: 'Storm water drowns the field. The local rule governs, and may ask for more.',
  }),
});
