/** Drains in the ground: what its rules have alike. */
import { elementOf, keptOf, ofKind, type Job } from '../../../job/job';
import { placesOf, wayOfRun } from '../../../job/places';
import { isLaid, type Drain, type DrainField, type Run } from '../../../job/kinds';
import { step } from '../../../numeric/kept';
import type { Solution } from '../../../plan/solution';
import type { Place } from '../../../site/place';
import { valuesOf } from '../../valuesOf';
import { worksIn } from '../work';

export const elementAt = (job: Job, id: string): Drain | DrainField =>
  (elementOf(job, 'drain', id) ?? elementOf(job, 'drainField', id))!;
/** Places along a way, no further apart than a short pace, m. */
export function alongWay(way: readonly Place[]): Place[] {
  return way.flatMap((a, k) => {
    const b = way[k + 1];
    if (!b) return [a];
    const steps = Math.max(1, Math.ceil(Math.hypot(b.east - a.east, b.north - a.north) / 0.5));
    return Array.from({ length: steps }, (_, at) => ({
      east: a.east + ((b.east - a.east) * at) / steps,
      north: a.north + ((b.north - a.north) * at) / steps,
    }));
  });
}
export const perforated = step('perforated runs', ({ runs }: { runs: readonly Run[] }) =>
  runs.filter((run) => run.perforated),
);
export const perforatedRuns = (job: Job): readonly Run[] => keptOf(job).ask(perforated, { runs: ofKind(job, 'run') });
/** Perforated pipe of a job on the plan: runs, and drains with all their pipes. */
export function perforatedWays(job: Job, solution: Solution): { id: string; ways: readonly (readonly Place[])[] }[] {
  const runs = perforatedRuns(job)
    .filter(isLaid)
    .map((run) => ({ id: run.id, ways: [wayOfRun(job, run) ?? []] }));
  const drains = worksIn(job, solution, 'drain', 'drainField').map((plan) => {
    const drain = elementAt(job, plan.id);
    const ways = plan.lines ? [...plan.lines.laterals, plan.lines.collector] : [placesOf(drain)];
    return { id: plan.id, ways };
  });
  return [...runs, ...drains];
}
/** C·A (m²) of a bed's own, through its stone, that comes to a landing: clear water, which a perforated outlet may carry. */
function throughBeds(job: Job, { runs, landings }: Solution): (landing: string) => number {
  if (ofKind(job, 'pavedBed').length === 0) return () => 0;
  const above = new Map<string, string[]>();
  for (const run of valuesOf(job, runs)) above.set(run.to, [...(above.get(run.to) ?? []), run.from]);
  return (landing) => {
    const seen = new Set<string>();
    const left = [landing];
    let area = 0;
    for (let at = left.pop(); at !== undefined; at = left.pop()) {
      if (seen.has(at)) continue;
      seen.add(at);
      const here = landings[at];
      if (here?.kind === 'pavedBed') area += here.enteringArea;
      left.push(...(above.get(at) ?? []));
    }
    return area;
  };
}

/** C·A of rain (m²) that comes down perforated pipe, by id: in a run all that it carries but a bed's own, in a drain what pipes bring it. */
export function rainIn(job: Job, solution: Solution): { id: string; area: number }[] {
  const { runs, landings } = solution;
  const ofBeds = throughBeds(job, solution);
  const perforated = new Set(perforatedRuns(job).map(({ id }) => id));
  const planned = perforated.size > 0 ? valuesOf(job, runs).filter(({ id }) => perforated.has(id)) : [];
  const drains = [...ofKind(job, 'drain'), ...ofKind(job, 'drainField')];
  return [
    ...planned.map(({ id, from, effectiveArea }) => ({ id, area: effectiveArea - ofBeds(from) })),
    ...drains.map(({ id }) => ({ id, area: landings[id]?.passingArea ?? 0 })),
  ].filter(({ area }) => area > 1e-9);
}
