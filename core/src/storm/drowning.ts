/** What drowns in a case that was tried. */
import { type CaseId } from './cases';
import { type TriedCase } from './tried';

export const WATER_KINDS = ['roof', 'surface', 'ground'] as const;
export type WaterKind = (typeof WATER_KINDS)[number];

export interface Drowning {
  /** The way out that they share. */
  outlet: string;
  kinds: readonly WaterKind[];
  at: string;
  case: CaseId;
}

/** Kinds of water in the lines to each way out, and where one comes up through another's. */
export function drowningIn({ id, layout, response, job, comesUp }: TriedCase): Drowning[] {
  const { tree } = layout;
  const kinds = new Map<string, Set<WaterKind>>();
  tree.landings.forEach((landing, at) => {
    const outlet = response.landings[landing.id]?.outlet;
    if (!outlet || response.flows.entering[at]! <= 0) return;
    const kind: WaterKind =
      landing.kind === 'downspout'
        ? 'roof'
        : landing.kind === 'drain' || landing.kind === 'drainField'
          ? 'ground'
          : 'surface';
    kinds.set(outlet, (kinds.get(outlet) ?? new Set()).add(kind));
  });
  const told = new Set<string>();
  return comesUp.flatMap((at) => {
    const outlet = response.landings[at]?.outlet;
    const mixed = outlet ? kinds.get(outlet) : undefined;
    if (!outlet || !mixed || mixed.size < 2 || told.has(outlet) || !job.elements.has(at)) return [];
    told.add(outlet);
    return [{ outlet, kinds: WATER_KINDS.filter((kind) => mixed.has(kind)), at, case: id }];
  });
}

/** Of each way out the first case in which it drowns. */
export const firstOf = (all: readonly Drowning[]): Drowning[] =>
  all.filter(({ outlet }, k) => all.findIndex((each) => each.outlet === outlet) === k);
