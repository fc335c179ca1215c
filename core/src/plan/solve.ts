/** From a job to every derived figure, stage by stage. Judging comes after, in `planJob.ts`. */
import { rainOf, type Job } from '../job/job';
import { layOut } from './layout';
import { openingsOf } from './openings';
import { rainResponse } from './rainResponse';
import { runPlans } from './runs';
import type { Solution } from './solution';

/** Works out everything that follows from a job. Never throws on a job that its schema accepts. */
export function solve(job: Job): Solution {
  const layout = layOut(job);
  const rain = rainOf(job);
  const { sources, flows, water, landings, inlets } = rainResponse(job, rain, layout);
  const { settings, tree, lines, budgets } = layout;
  return {
    rain: rain?.intensity ?? 0,
    settings,
    landings,
    runs: runPlans(layout, flows, water),
    lines: lines.map((line) => ({ letter: line.letter, runs: line.runs.map((run) => tree.runs[run]!.id) })),
    budgets,
    sources,
    onSlope: flows.onSlope,
    inlets,
    openings: openingsOf(job, (rarer) => rainResponse(job, rarer, layout).inlets),
    stray: tree.stray.map((run) => run.id),
  };
}
