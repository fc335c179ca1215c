import { ofKind } from '../../job/job';
import { wayOfRun } from '../../job/places';
import { isDug, type Run, type Service } from '../../job/kinds';
import type { Place } from '../../site/place';
import { handDigOf, nearest } from '../../yard/crossings';
import type { Rule, Snag } from '../snag';

/** What kills or poisons when it is struck. */
const DEADLY = new Set<Service['form']>(['gas', 'power']);

/** How near a service comes to a run, m, and where down it: by the plan, or as was said; null where nobody knows. */
function nearestOf(service: Service, { id }: Run, way: Place[] | null): { away: number; along: number } | null {
  if (service.way) return way && nearest(way, service.way);
  return service.beside === id ? { away: service.away ?? 0, along: service.along ?? 0 } : null;
}

/** A trench within the hand-dig zone of a service that nobody has marked. */
export const serviceUnmarked: Rule = {
  code: 'serviceUnmarked',
  find: (job) => {
    const services = ofKind(job, 'service').filter(({ markedBy }) => markedBy === undefined);
    if (services.length === 0) return [];
    return ofKind(job, 'run').flatMap((run): Snag[] => {
      if (!isDug(run)) return [];
      const way = wayOfRun(job, run);
      return services.flatMap((service): Snag[] => {
        const near = nearestOf(service, run, way);
        if (!near) return [];
        const { away, along } = near;
        const limit = handDigOf(service);
        if (away >= limit) return [];
        return [
          {
            code: 'serviceUnmarked',
            severity: DEADLY.has(service.form) ? 'stop' : 'fix',
            at: run.id,
            other: service.id,
            measure: 'length',
            figure: away,
            limit,
            length: along,
          },
        ];
      });
    });
  },
  tell: (snag, say) => ({
    headline:
      snag.figure < 0.05
        ? `${say.name(snag.at)} crosses ${say.name(snag.other!)} ${say.show('length', snag.length!)} down it, and nobody has marked it.`
        : `${say.name(snag.at)} comes within ${say.show('length', snag.figure)} of ${say.name(snag.other!)}, which nobody has marked.`,
    why: `Have it located before any digging, and dig by hand within ${say.show('length', snag.limit)} of the marks. Private lines are not covered by the public service.`,
    instead: 'Say on its sheet who marked it and when, once the marks are on the ground.',
  }),
};
