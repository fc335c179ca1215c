/** From a job to every derived figure, stage by stage. Judging comes after, in `planJob.ts`. */
import { rainOf, type Job } from '../job/job';
import { doorsIn } from '../openings/doors';
import type { InRain } from '../openings/openWater';
import { pipeEnds } from './ends';
import { alwaysRuns } from './flows';
import { layOut } from './layout';
import { openingsOf, rarerRain } from './openings';
import { inletsIn, rainResponse, type RainResponse } from './rainResponse';
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
  const inRain = (of: RainResponse): InRain => ({
    settings,
    inlets: inletsIn(job, layout, of),
    works: of.works.plans,
    landings: of.landings,
  });
  const now = inRain(response);
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
    inlets: now.inlets,
    works: works.plans,
    rarerWorks: hasWorks && rarer ? rainResponse(job, rarer, layout).works.plans : null,
    ways,
    doors: rain ? doorsIn(job, now) : [],
    openings: openingsOf(job, (rarest) => inRain(rainResponse(job, rarest, layout))),
  };
}
