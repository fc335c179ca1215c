import { ofKind } from '../../job/job';
import { wayOfRun } from '../../job/places';
import { isDug, type Service } from '../../job/kinds';
import { handDigOf, nearest } from '../../yard/crossings';
import type { Rule, Snag } from '../snag';

/** What kills or poisons when it is struck. */
const DEADLY = new Set<Service['form']>(['gas', 'power']);

/** A trench within the hand-dig zone of a service that nobody has marked. */
export const serviceUnmarked: Rule = {
  code: 'serviceUnmarked',
  find: (job) => {
    const services = ofKind(job, 'service').filter(({ way, markedBy }) => way !== undefined && markedBy === undefined);
    if (services.length === 0) return [];
    return ofKind(job, 'run').flatMap((run): Snag[] => {
      const way = isDug(run) ? wayOfRun(job, run) : null;
      if (!way) return [];
      return services.flatMap((service): Snag[] => {
        const { away, along } = nearest(way, service.way!);
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
