/** A case worked out: the job's water in it, and what share of it the pipes to each way out carry. */
import type { InletPlan } from '../inlets';
import type { Landing, RainElement } from '../job/kinds';
import { NONE } from '../network/tree';
import { layOut, type Layout } from '../plan/layout';
import { inletsIn, rainResponse, type RainResponse } from '../plan/rainResponse';
import { opens } from '../snags/waterOverGrate';
import { LEVEL_TOLERANCE } from '../snags/snag';
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

/** Rains that a line which floods is tried with: sixteenths of the case's. */
const PARTS = 16;

/** Landings at which the line stands over the ground, by index. */
function flooded({ tree }: Layout, { landings }: RainResponse): number[] {
  return tree.landings.flatMap((landing, at) => {
    const level = landings[landing.id]?.waterLevel ?? null;
    return level !== null && opens(landing) && level > landing.groundLevel + LEVEL_TOLERANCE ? [at] : [];
  });
}

const lighter = (rain: RainElement, share: number): RainElement => ({ ...rain, intensity: rain.intensity * share });

/** The largest part of a rain that each flooded line carries; whole where it carries all. */
function carriedShares(tried: StormCase, layout: Layout, over: readonly number[]): ReadonlyMap<number, number> {
  const { job, rain } = tried;
  const left = new Set(over.map((at) => layout.tree.outlet[at]!).filter((outlet) => outlet !== NONE));
  const shares = new Map<number, number>([...left].map((outlet) => [outlet, 0]));
  for (let part = PARTS - 1; part > 0 && left.size > 0 && rain; part--) {
    const share = part / PARTS;
    const wet = new Set(
      flooded(layout, rainResponse(job, lighter(rain, share), layout)).map((at) => layout.tree.outlet[at]!),
    );
    for (const outlet of [...left]) {
      if (wet.has(outlet)) continue;
      shares.set(outlet, share);
      left.delete(outlet);
    }
  }
  return shares;
}

/** Works a case out. */
export function tryCase(given: StormCase): TriedCase {
  const { job } = given;
  const layout = layOut(job);
  const response = rainResponse(job, given.rain, layout);
  const over = flooded(layout, response);
  return {
    ...given,
    layout,
    response,
    inlets: inletsIn(job, layout, response),
    carried: carriedShares(given, layout, over),
    comesUp: over.map((at) => (layout.tree.landings[at] as Landing).id),
  };
}
