/** A case worked out: the job's water in it, and what share of it the pipes to each way out carry. */
import type { InletPlan } from '../inlets';
import type { Job } from '../job/job';
import type { Landing } from '../job/kinds';
import { NONE } from '../network/tree';
import type { WaterLine } from '../network/waterLine';
import type { JobFlows } from '../plan/flows';
import { layOut, type Layout } from '../plan/layout';
import { inletsIn, rainResponse, type RainResponse } from '../plan/rainResponse';
import { waterLineOf } from '../plan/waterLine';
import { opens } from '../snags/inlets/waterOverGrate';
import { LEVEL_TOLERANCE } from '../numeric/tolerance';
import type { StormCase } from './cases';

export interface TriedCase extends StormCase {
  layout: Layout;
  response: RainResponse;
  inlets: Readonly<Record<string, InletPlan>>;
  /** Of what comes to each way out, the share that its pipes carry without coming up anywhere, by landing index of the way out. */
  carried: ReadonlyMap<number, number>;
  /** Where water comes up, by id. */
  comesUp: readonly string[];
}

/** Steps in which the share that a flooded line carries is halved in on: to a thirty-second of it. */
const STEPS = 5;

/** Landings at which a line stands over the ground, by index. */
const flooded = ({ tree }: Layout, { levels: water }: WaterLine): number[] =>
  tree.landings.flatMap((landing, at) => {
    const hasPipe = tree.leaving[at] !== NONE || tree.arriving[at]!.length > 0;
    return hasPipe && opens(landing) && water[at]! > landing.groundLevel + LEVEL_TOLERANCE ? [at] : [];
  });

/** Flows of which each line carries a share of its own: of the rain's, what always runs stays. */
function lighter(flows: JobFlows, { tree }: Layout, shares: ReadonlyMap<number, number>): JobFlows {
  const flow = flows.flow.map((all, at) => {
    const share = shares.get(tree.outlet[at]!) ?? 1;
    return flows.fixed[at]! + share * (all - flows.fixed[at]!);
  });
  return { ...flows, flow };
}

/** The largest part of a rain that each flooded line carries, by landing index of its way out; those that carry all are left out. Lines of different ways out know nothing of one another, so all are halved in on at once. */
function carriedShares(
  job: Job,
  layout: Layout,
  { flows, works }: RainResponse,
  over: readonly number[],
): ReadonlyMap<number, number> {
  const { tree } = layout;
  const outlets = [...new Set(over.map((at) => tree.outlet[at]!))].filter((outlet) => outlet !== NONE);
  const low = new Map(outlets.map((outlet) => [outlet, 0]));
  const high = new Map(outlets.map((outlet) => [outlet, 1]));
  for (let step = 0; outlets.length > 0 && step < STEPS; step++) {
    const tried = new Map(outlets.map((outlet) => [outlet, (low.get(outlet)! + high.get(outlet)!) / 2]));
    const water = waterLineOf(job, {
      layout,
      flows: lighter(flows, layout, tried),
      standing: works.standing,
    });
    const wet = new Set(flooded(layout, water).map((at) => tree.outlet[at]!));
    for (const [outlet, share] of tried) (wet.has(outlet) ? high : low).set(outlet, share);
  }
  return low;
}

/** Works a case out. */
export function tryCase(given: StormCase): TriedCase {
  const { job } = given;
  const layout = layOut(job);
  const response = rainResponse(job, given.rain, layout);
  const over = flooded(layout, response.water);
  return {
    ...given,
    layout,
    response,
    inlets: inletsIn(job, layout, response),
    carried: carriedShares(job, layout, response, over),
    comesUp: over.map((at) => (layout.tree.landings[at] as Landing).id),
  };
}
