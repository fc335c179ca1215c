import { OUTFALLS } from '../../catalogue/outfalls';
import { ofKind, type Job } from '../../job/job';
import { wayOfRun } from '../../job/places';
import { isDug, type Run, type Service } from '../../job/kinds';
import type { Solution } from '../../plan/solution';
import { footOnWay, type Place } from '../../site/place';
import { handDigOf, nearest } from '../../yard/crossings';
import type { Rule, Snag } from '../snag';

/** What kills or poisons when it is struck. */
const DEADLY = new Set<Service['form']>(['gas', 'power']);

/** How near a service comes to a run, m, and where down it: by the plan, or as was said; null where nobody knows. */
function nearestOf(service: Service, { id }: Run, way: Place[] | null): { away: number; along: number } | null {
  if (service.way) return way && nearest(way, service.way);
  return service.beside === id ? { away: service.away ?? 0, along: service.along ?? 0 } : null;
}

/** Kinds that are dug along a way of their own, and at a place. */
const ALONG = ['drain', 'stoneDrain', 'swale', 'culvert', 'channel'] as const;
const AT = ['basin', 'discharge'] as const;

interface Digging {
  id: string;
  /** How near a service comes, m, and where along what is dug. */
  near: (service: Service) => { away: number; along: number } | null;
}

const alongWays =
  (ways: readonly (readonly Place[])[]): Digging['near'] =>
  ({ way: line }) =>
    line
      ? ways
          .map((way) => nearest(way, line))
          .reduce((best, each) => (each.away < best.away ? each : best), { away: Infinity, along: 0 })
      : null;

/** All that is dug: new pipe and pipe that comes out, works along their ways and over their outlines, boxes and pits. */
function diggings(job: Job, { works }: Pick<Solution, 'works'>): Digging[] {
  const runs = ofKind(job, 'run').flatMap((run): Digging[] => {
    const way = isDug(run) ? wayOfRun(job, run) : null;
    return isDug(run) ? [{ id: run.id, near: (service) => nearestOf(service, run, way) }] : [];
  });
  const ways = ALONG.flatMap((kind) =>
    ofKind(job, kind).flatMap(({ id, way, here }): Digging[] => (way && !here ? [{ id, near: alongWays([way]) }] : [])),
  );
  const fields = ofKind(job, 'drainField').flatMap(({ id, here }): Digging[] => {
    const plan = works[id];
    const lines = plan?.kind === 'drainField' ? plan.lines : null;
    return lines && !here ? [{ id, near: alongWays([...lines.laterals, lines.collector]) }] : [];
  });
  const holes = AT.flatMap((kind) =>
    ofKind(job, kind).flatMap((element): Digging[] => {
      const { id, place, here } = element;
      // A pipe that comes out into the open is dug with its trench.
      if (!place || here || (element.kind === 'discharge' && OUTFALLS[element.form].opensOut)) return [];
      return [
        {
          id,
          near: ({ way: line }) => (line ? { away: footOnWay(line, place)?.distance ?? Infinity, along: 0 } : null),
        },
      ];
    }),
  );
  return [...runs, ...ways, ...fields, ...holes];
}

/** Something dug within the hand-dig zone of a service that nobody has marked. */
export const serviceUnmarked: Rule = {
  code: 'serviceUnmarked',
  find: (job, solution) => {
    const services = ofKind(job, 'service').filter(({ markedBy }) => markedBy === undefined);
    if (services.length === 0) return [];
    return diggings(job, solution).flatMap(({ id, near }) =>
      services.flatMap((service): Snag[] => {
        const found = near(service);
        const limit = handDigOf(service);
        return !found || found.away >= limit
          ? []
          : [
              {
                code: 'serviceUnmarked',
                severity: DEADLY.has(service.form) ? 'stop' : 'fix',
                at: id,
                other: service.id,
                measure: 'length',
                figure: found.away,
                limit,
                length: found.along,
              },
            ];
      }),
    );
  },
  tell: (snag, say) => ({
    headline:
      snag.figure < 0.05 && snag.length! > 0
        ? `${say.name(snag.at)} crosses ${say.name(snag.other!)} ${say.show('length', snag.length!)} down it, and nobody has marked it.`
        : `${say.name(snag.at)} comes within ${say.show('length', snag.figure)} of ${say.name(snag.other!)}, which nobody has marked.`,
    why: `Have it located before any digging, and dig by hand within ${say.show('length', snag.limit)} of the marks. Private lines are not covered by the public service.`,
    instead: 'Say on its sheet who marked it and when, once the marks are on the ground.',
  }),
};
