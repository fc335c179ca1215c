/** What a rain makes of a job as it is laid out. */
import type { InletPlan } from '../inlets';
import type { Job } from '../job/job';
import { diameterOf, type RainElement } from '../job/kinds';
import { NONE } from '../network/tree';
import type { WaterLine } from '../network/waterLine';
import type { Sources } from '../runoff/sources';
import { flowsOf, type Flowing, type JobFlows } from './flows';
import { inletsOf } from './inlets';
import type { Layout } from './layout';
import { byId, type LandingPlan } from './solution';
import { sourcesOf } from './sources';
import { stage } from '../numeric/stage';
import { waterLineOf } from './waterLine';
import { worksOf, type Works } from './works';

export interface RainResponse {
  sources: Sources;
  flows: JobFlows;
  /** What comes down every open way, by id. */
  ways: Flowing['ways'];
  works: Works;
  water: WaterLine;
  landings: Record<string, LandingPlan>;
}

/** Of the runs that end at a landing, the one whose invert is lowest there; undefined when none does. */
function lowestArriving({ tree, levels }: Layout, at: number): number | undefined {
  const invert = (run: number): number => levels.crownDown[run]! - diameterOf(tree.runs[run]!);
  return tree.arriving[at]!.reduce<number | undefined>(
    (lowest, run) => (lowest === undefined || invert(run) < invert(lowest) ? run : lowest),
    undefined,
  );
}

function landingPlan(layout: Layout, flows: JobFlows, water: WaterLine, at: number): LandingPlan {
  const { tree, levels } = layout;
  const landing = tree.landings[at]!;
  const leaving = tree.leaving[at]!;
  const run = leaving === NONE ? lowestArriving(layout, at) : leaving;
  const crown = run === undefined ? null : leaving === NONE ? levels.crownDown[run]! : levels.crownUp[run]!;
  return {
    id: landing.id,
    kind: landing.kind,
    groundLevel: landing.groundLevel,
    crown,
    invert: crown === null ? null : crown - diameterOf(tree.runs[run!]!),
    cover: crown === null ? null : landing.groundLevel - crown,
    enteringArea: flows.enteringArea[at]!,
    passingArea: flows.passingArea[at]!,
    entering: flows.entering[at]!,
    passing: flows.flow[at]!,
    outlet: tree.outlet[at] === NONE ? null : tree.landings[tree.outlet[at]!]!.id,
    waterLevel: run === undefined ? null : water.levels[at]!,
  };
}

const landingPlans = stage('landings', (layout: Layout, flows: JobFlows, water: WaterLine) => {
  const plans = byId<LandingPlan>();
  layout.tree.landings.forEach((landing, at) => {
    plans[landing.id] = landingPlan(layout, flows, water, at);
  });
  return plans;
});

/** A job under a rain: sources, flows, water line, landings, each stage after those that it reads. */
export function rainResponse(job: Job, rain: RainElement | undefined, layout: Layout): RainResponse {
  const sources = sourcesOf(job, rain);
  const { flows, ways } = flowsOf(job, rain, sources, layout);
  const works = worksOf(job, rain, layout, { flows, ways });
  const water = waterLineOf(layout, flows, works.standing);
  const landings = landingPlans(layout, flows, water);
  return { sources, flows, ways, works, water, landings };
}

/** What every inlet of a job does in that rain, by id. */
export const inletsIn = (
  job: Job,
  { settings }: Layout,
  { sources, flows, landings }: RainResponse,
): Record<string, InletPlan> => inletsOf(job, settings, landings, sources, flows.onSlope);
