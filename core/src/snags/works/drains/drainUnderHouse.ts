import { ofKind } from '../../../job/job';
import { isWithin } from '../../../site/place';
import { perforatedWays, alongWay } from './alike';
import { workRule } from '../work';

export const drainUnderHouse = workRule({
  code: 'drainUnderHouse',
  severity: 'stop',
  measure: 'count',
  find: (make, job, solution) =>
    perforatedWays(job, solution).flatMap(({ id, ways }) => {
      const under = ofKind(job, 'building').find(
        ({ outline }) => outline && ways.some((way) => alongWay(way).some((place) => isWithin(outline, place))),
      );
      return under ? [make(id, 1, 0, { other: under.id })] : [];
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} would lie under ${say.name(snag.other!)}.`,
    why: 'Perforated pipe lets water out as well as in: under a building it wets the footing.',
    instead: 'Draw it clear of the building, 10 ft away where there is room.',
  }),
});
