import { ofKind, type Job } from '../../../job/job';
import type { Solution } from '../../../plan/solution';
import { distanceTo, type Place } from '../../../site/place';
import { valuesOf } from '../../valuesOf';
import { perforatedWays, rainIn, alongWay } from './alike';
import { workRule } from '../work';

/** Whether a roof's water is among what comes down to a landing or a run. */
function takesRoof(job: Job, { runs }: Solution, id: string): boolean {
  const start = runs[id]?.from ?? id;
  const above = new Map<string, string[]>();
  for (const run of valuesOf(job, runs)) above.set(run.to, [...(above.get(run.to) ?? []), run.from]);
  const left = [start];
  for (let at = left.pop(); at !== undefined; at = left.pop()) {
    if (job.elements.get(at)?.kind === 'downspout') return true;
    left.push(...(above.get(at) ?? []));
  }
  return false;
}

/** From the nearest building, m; ∞ where neither is on the plan. */
const fromBuildings = (job: Job, ways: readonly (readonly Place[])[]): number =>
  Math.min(
    Number.POSITIVE_INFINITY,
    ...ofKind(job, 'building').flatMap(({ outline }) =>
      outline ? ways.flatMap((way) => alongWay(way).map((place) => distanceTo(outline, place))) : [],
    ),
  );

export const roofInPerforated = workRule({
  code: 'roofInPerforated',
  severity: 'stop',
  measure: 'length',
  find: (make, job, solution) => {
    const ways = new Map(perforatedWays(job, solution).map((each) => [each.id, each.ways]));
    return rainIn(job, solution).flatMap(({ id }) => {
      const away = fromBuildings(job, ways.get(id) ?? []);
      return away < solution.settings.buildingClearance && takesRoof(job, solution, id)
        ? [make(id, away, solution.settings.buildingClearance)]
        : [];
    });
  },
  tell: (snag, say) => ({
    headline: `Roof water runs into perforated pipe ${say.show('length', snag.figure)} from a building, in ${say.name(snag.at)}.`,
    why: 'It comes out through the holes beside the footing that it was led away from.',
    instead: 'Carry roof water in a solid pipe of its own; it may share the trench, not the pipe.',
  }),
});
