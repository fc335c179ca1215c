import { elementOf, ofKind, type Job } from '../../job/job';
import { isNew, type Run, type Service } from '../../job/kinds';
import { groundAlong } from '../../network/groundAlong';
import type { RunPlan } from '../../plan/solution';
import { METRES_PER_INCH } from '../../units/constants';
import { crossingsOfRun } from '../../yard/crossings';
import { groundOver } from '../../yard/profile';
import type { Rule, Snag } from '../snag';
import { bodyAt } from './pipesCross';

/** Lines that stay where they are: what is shallow and private is cut and put back. */
const STAYS: ReadonlySet<Service['form']> = new Set(['power', 'gas', 'water', 'sewer', 'telecom']);
/** Through, of what nobody has measured, m: 4 in, a service pipe or a duct. */
const THROUGH = 4 * METRES_PER_INCH;
/** Usual room asked between a drain pipe and another buried line, m: 12 in. */
export const SERVICE_ROOM = 12 * METRES_PER_INCH;

/** A service of known depth across a run: levels of its top and bottom, and of the pipe's there, m, outside. */
export interface Meets {
  id: string;
  along: number;
  service: { top: number; bottom: number };
  pipe: { top: number; bottom: number };
}

/** Ground over a run so far down it, m: as it was levelled, else as it is planned. */
function groundAt(job: Job, run: Run, planned: RunPlan, along: number): number {
  const levelled = groundOver(job, run);
  const next = levelled.findIndex((station) => station.along >= along);
  if (next <= 0) return groundAlong(planned, along);
  const [a, b] = [levelled[next - 1]!, levelled[next]!];
  return b.along > a.along ? a.level + ((b.level - a.level) * (along - a.along)) / (b.along - a.along) : b.level;
}

/** Services of known depth that a run crosses. */
export const servicesMet = (job: Job, run: Run, planned: RunPlan): Meets[] =>
  crossingsOfRun(job, run).flatMap(({ id, from }): Meets[] => {
    const service = elementOf(job, 'service', id);
    if (!service || service.depth === undefined || !STAYS.has(service.form)) return [];
    const top = groundAt(job, run, planned, from) - service.depth;
    const pipe = bodyAt(run, planned, from / planned.length);
    return [{ id, along: from, service: { top, bottom: top - THROUGH }, pipe }];
  });

/** Room between the two, m; less than 0 where one lies in the other. */
const roomOf = ({ service, pipe }: Meets): number => Math.max(service.bottom - pipe.top, pipe.bottom - service.top);

/** A pipe that runs into a service whose depth is known, or passes it nearer than is asked. */
export const serviceInWay: Rule = {
  code: 'serviceInWay',
  find: (job, { runs }) =>
    ofKind(job, 'service').every(({ depth }) => depth === undefined)
      ? []
      : ofKind(job, 'run').flatMap((run): Snag[] => {
          const planned = runs[run.id];
          if (!planned || !isNew(run)) return [];
          return servicesMet(job, run, planned).flatMap((met): Snag[] => {
            const room = roomOf(met);
            return room >= SERVICE_ROOM - 1e-9
              ? []
              : [
                  {
                    code: 'serviceInWay',
                    severity: room < 0 ? 'stop' : 'mind',
                    at: run.id,
                    other: met.id,
                    measure: 'small',
                    figure: room,
                    limit: SERVICE_ROOM,
                    length: met.along,
                  },
                ];
          });
        }),
  tell: (snag, say) => ({
    headline:
      snag.figure < 0
        ? `${say.name(snag.at)} runs into ${say.name(snag.other!)} ${say.show('length', snag.length!)} down it.`
        : `${say.name(snag.at)} passes ${say.name(snag.other!)} with ${say.show('small', snag.figure)} between them; ${say.show('small', snag.limit)} is usual.`,
    why: 'A line that was struck kills, or floods the trench. Depths that are told are often wrong: dig a hole by hand and see it before anything else.',
    instead: 'Lead the line under or over it, or elsewhere; what its owner asks for comes before what is usual.',
  }),
};
