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
import { placeByPlace } from '../numeric/placeByPlace';
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

function landingPlan({ layout, flows, water }: Read, at: number): LandingPlan {
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

interface Read {
  layout: Layout;
  flows: JobFlows;
  water: WaterLine;
}

/** Whether a landing reads in one what it read in the other, which joins alike. */
function readsTheSame(now: Read, before: Read, at: number): boolean {
  const [{ tree, levels }, { tree: treeBefore, levels: levelsBefore }] = [now.layout, before.layout];
  if (tree.landings[at] !== treeBefore.landings[at]) return false;
  const leaving = tree.leaving[at]!;
  // At an end the lowest of the pipes that arrive tells: few, and made anew.
  if (leaving === NONE ? tree.arriving[at]!.length > 0 : tree.runs[leaving] !== treeBefore.runs[leaving]) return false;
  return (
    (leaving === NONE || levels.crownUp[leaving] === levelsBefore.crownUp[leaving]) &&
    now.flows.enteringArea[at] === before.flows.enteringArea[at] &&
    now.flows.passingArea[at] === before.flows.passingArea[at] &&
    now.flows.entering[at] === before.flows.entering[at] &&
    now.flows.flow[at] === before.flows.flow[at] &&
    now.water.levels[at] === before.water.levels[at]
  );
}

const planned = placeByPlace<Read, LandingPlan>({
  // In the design rain and in the rarer one: of the job as it is, and of the one under the finger.
  remembered: 4,
  alike: (now, before) => now.layout.tree.outlet === before.layout.tree.outlet,
  readsTheSame,
  make: landingPlan,
});

/** Landings in their water, by id; one that an edit does not reach is the very object that it was. */
const landingPlans = stage('landings', (layout: Layout, flows: JobFlows, water: WaterLine) => {
  const known = byId<LandingPlan>();
  for (const plan of planned({ layout, flows, water }, layout.tree.landings.length)) known[plan.id] = plan;
  return known;
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
