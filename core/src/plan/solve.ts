/** From a job to every derived figure, stage by stage. Judging comes after, in `planJob.ts`. */
import { rainOf, type Job } from '../job/job';
import { pipeEnds } from './ends';
import { alwaysRuns } from './flows';
import { layOut } from './layout';
import { openingsOf, rarerRain } from './openings';
import { inletsIn, rainResponse } from './rainResponse';
import { runPlans } from './runs';
import type { Solution } from './solution';
import { standingWater } from './standing';

/** Works out everything that follows from a job. Never throws on a job that its schema accepts. */
export function solve(job: Job): Solution {
  const layout = layOut(job);
  const rain = rainOf(job);
  const response = rainResponse(job, rain, layout);
  const { sources, flows, ways, water, works, landings } = response;
  const rarer = rarerRain(job);
  const hasWorks = Object.keys(works.plans).length > 0;
  const { settings, tree, lines, budgets } = layout;
  return {
    rain: rain?.intensity ?? 0,
    settings,
    landings,
    runs: runPlans(job, { layout, flows, water }),
    lines: lines.map((line) => ({ letter: line.letter, runs: line.runs.map((run) => tree.runs[run]!.id) })),
    budgets,
    ends: pipeEnds(job, layout),
    standing: standingWater(job, { layout, always: alwaysRuns(job, sources) }),
    sources,
    onSlope: flows.onSlope,
    stray: tree.stray.map((run) => run.id),
    inlets: inletsIn(job, layout, response),
    works: works.plans,
    rarerWorks: hasWorks && rarer ? rainResponse(job, rarer, layout).works.plans : null,
    ways,
    openings: openingsOf(job, (rarest) => inletsIn(job, layout, rainResponse(job, rarest, layout))),
  };
}
