import { elementOf, ofKind, type Job } from '../../../job/job';
import { placesOf } from '../../../job/places';
import { footOnWay } from '../../../site/place';
import { LEAST_FALL } from '../../../works/swale';
import { worksIn, workRule } from '../work';

/** Whether a drain lies under a swale: within a pace of the middle of its way. */
function hasDrainUnder(job: Job, id: string): boolean {
  const way = elementOf(job, 'swale', id)?.way;
  const middle = way && way[Math.floor(way.length / 2)];
  return (
    middle !== undefined &&
    ofKind(job, 'drain').some((drain) => (footOnWay(placesOf(drain), middle)?.distance ?? Infinity) < 1)
  );
}

export const swaleFlat = workRule({
  code: 'swaleFlat',
  severity: 'mind',
  measure: 'pitch',
  find: (make, job, solution) =>
    worksIn(job, solution, 'swale')
      .filter(({ id, pitch }) => pitch > 0 && pitch < LEAST_FALL - 1e-6 && !hasDrainUnder(job, id))
      .map(({ id, pitch }) => make(id, pitch, LEAST_FALL)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} falls ${say.show('pitch', snag.figure)}; under ${say.show('pitch', snag.limit)} grass stays wet.`,
    why: 'It carries a storm, and is soft for days after. A subsurface drain under its floor dries it.',
  }),
});
