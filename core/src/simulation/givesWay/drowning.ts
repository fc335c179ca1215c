/** Lines that carry waters of several kinds, of which one drowns another in a storm. */
import type { Job } from '../../job/job';
import type { Plan } from '../../verdict/planJob';
import type { StormTold } from '../stormRun';
import { BUCKET, isMuch } from './layer';
import type { CaseId } from './layerCases';

const WATER_KINDS = ['roof', 'surface', 'ground'] as const;
export type WaterKind = (typeof WATER_KINDS)[number];

export interface Drowning {
  /** The way out that they share. */
  outlet: string;
  kinds: readonly WaterKind[];
  /** Where it comes up, or no more goes in. */
  at: string;
  case: CaseId;
}

/** Kinds of water that come into a line by what they come in at. */
function kindOf(kind: string): WaterKind {
  if (kind === 'downspout') return 'roof';
  return kind === 'drain' || kind === 'drainField' ? 'ground' : 'surface';
}

/** Kinds of water in the lines to each way out, and where one backs up at another's. */
export function drowningIn(given: Job, plan: Plan, id: CaseId, { landings }: Pick<StormTold, 'landings'>): Drowning[] {
  const job = plan.here ?? given;
  const kinds = new Map<string, Set<WaterKind>>();
  const came = new Map<string, number>();
  for (const { id: at, entered, captured } of landings) {
    const [element, outlet] = [job.elements.get(at), plan.landings[at]?.outlet];
    if (!element || !outlet || entered + captured <= BUCKET) continue;
    came.set(outlet, (came.get(outlet) ?? 0) + entered + captured);
    kinds.set(outlet, (kinds.get(outlet) ?? new Set()).add(kindOf(element.kind)));
  }
  const told = new Set<string>();
  return landings.flatMap(({ id: at, cameUp, passedFull }) => {
    const outlet = plan.landings[at]?.outlet;
    const mixed = outlet ? kinds.get(outlet) : undefined;
    if (!outlet || !mixed || mixed.size < 2 || told.has(outlet) || !isMuch(cameUp + passedFull, came.get(outlet)!))
      return [];
    told.add(outlet);
    return [{ outlet, kinds: WATER_KINDS.filter((kind) => mixed.has(kind)), at, case: id }];
  });
}

/** Of each way out the first case in which it drowns. */
export const firstOf = (all: readonly Drowning[]): Drowning[] =>
  all.filter(({ outlet }, k) => all.findIndex((each) => each.outlet === outlet) === k);
