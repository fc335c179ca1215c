/** From a job to every derived figure, stage by stage. Judging comes after, in `planJob.ts`. */
import { rainOf, type Job } from '../job/job';
import { layOut, type Layout } from './layout';
import { openingsOf } from './openings';
import { inletsIn, rainResponse, type RainResponse } from './rainResponse';
import { runPlans } from './runs';
import type { Solution } from './solution';

/** What the pipes do: all of a solution but its inlets and its openings. */
export type InPipes = Omit<Solution, 'inlets' | 'openings'>;

interface Parts {
  layout: Layout;
  response: RainResponse;
  inPipes: InPipes;
}

function partsOf(job: Job): Parts {
  const layout = layOut(job);
  const rain = rainOf(job);
  const response = rainResponse(job, rain, layout);
  const { sources, flows, water, landings } = response;
  const { settings, tree, lines, budgets } = layout;
  const inPipes = {
    rain: rain?.intensity ?? 0,
    settings,
    landings,
    runs: runPlans(layout, flows, water),
    lines: lines.map((line) => ({ letter: line.letter, runs: line.runs.map((run) => tree.runs[run]!.id) })),
    budgets,
    sources,
    onSlope: flows.onSlope,
    stray: tree.stray.map((run) => run.id),
  };
  return { layout, response, inPipes };
}

/** What the pipes of a job do, and no more: for trying changes one after another. */
export const solvePipes = (job: Job): InPipes => partsOf(job).inPipes;

/** Works out everything that follows from a job. Never throws on a job that its schema accepts. */
export function solve(job: Job): Solution {
  const { layout, response, inPipes } = partsOf(job);
  return {
    ...inPipes,
    inlets: inletsIn(job, layout, response),
    openings: openingsOf(job, (rarer) => inletsIn(job, layout, rainResponse(job, rarer, layout))),
  };
}
