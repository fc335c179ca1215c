/**
 * Where water goes that does not go in where it comes to: past a blocked grate, out of a line that is shut or too full, over an inlet that is
 * too small. It is led on to whatever is said to take it, or the ground leads it to, and what comes there then is tried again.
 */
import { channelCapacity, type InletPlan } from '../inlets';
import { groundInlets, keptOf, ofKind, type Job } from '../job/job';
import type { Basin, Channel, GroundInlet, Landing } from '../job/kinds';
import { step } from '../numeric/kept';
import { placeOfLanding } from '../job/places';
import { NONE } from '../network/tree';
import type { Layout } from '../plan/layout';
import type { RainResponse } from '../plan/rainResponse';
import type { Diverted } from '../runoff/diverted';
import { opens } from '../snags/inlets/waterOverGrate';
import { leadingIn } from '../yard/downhill';

/** Where what a thing does not take goes, by id: as it is said, or as the ground leads it; null where nothing is known, or nothing stands there. */
export type LeadsTo = (id: string) => string | null;

export function leadsTo(job: Job): LeadsTo {
  const leading = leadingIn(job);
  const said = new Map<string, string | undefined>([
    ...groundInlets(job).map(({ id, passesTo }) => [id, passesTo] as const),
    ...ofKind(job, 'downspout').map(({ id, spillsTo }) => [id, spillsTo] as const),
  ]);
  return (id) => {
    const place = placeOfLanding(job.elements.get(id));
    return said.get(id) ?? (place && leading?.from(place, id)?.to) ?? null;
  };
}

/** A line from which water comes up, as its end is shut or it is too full. */
export interface Rising {
  /** Its way out, and the lowest place at which it opens: there all of it comes up. By id. */
  outlet: string;
  at: string;
  /** Of what comes to the way out, the share that the line still carries. */
  carried: number;
  /** What comes up, m³/s, and what takes that, by id; null over the ground. */
  flow: number;
  to: string | null;
}

/** Landings of a line, by its way out. */
export function lineOf({ tree }: Layout, outlet: string): Landing[] {
  const at = tree.indexOf.get(outlet);
  return tree.landings.filter((each, k) => tree.outlet[k] === at && each.id !== outlet);
}

/** Lines that give water back. `carried`: of those that are shut or too full the share that they carry, by way out. */
export function risingIn(
  { layout, response }: { layout: Layout; response: RainResponse },
  carried: ReadonlyMap<string, number>,
  leads: LeadsTo,
): Rising[] {
  const { tree } = layout;
  return [...carried].flatMap(([outlet, share]): Rising[] => {
    const line = lineOf(layout, outlet);
    const lowest = line
      .filter((each) => tree.leaving[tree.indexOf.get(each.id)!] !== NONE && opens(each))
      .reduce<Landing | undefined>((low, each) => (low && low.groundLevel <= each.groundLevel ? low : each), undefined);
    if (!lowest || share >= 1) return [];
    const flow = response.flows.flow[tree.indexOf.get(outlet)!]! * (1 - share);
    return [{ outlet, at: lowest.id, carried: share, flow, to: leads(lowest.id) }];
  });
}

/** The same, with those led nowhere whose water would come back to their own line. */
export function unround(layout: Layout, rising: readonly Rising[], leads: LeadsTo): Rising[] {
  const lineAt = new Map(rising.flatMap((each) => lineOf(layout, each.outlet).map(({ id }) => [id, each] as const)));
  const comesBack = (from: Rising): boolean => {
    const seen = new Set<string>();
    const open = from.to === null ? [] : [from.to];
    for (let id = open.pop(); id !== undefined; id = open.pop()) {
      if (seen.has(id)) continue;
      seen.add(id);
      const line = lineAt.get(id);
      if (line === from) return true;
      open.push(...[leads(id), line?.to].filter((to): to is string => typeof to === 'string'));
    }
    return false;
  };
  return rising.map((each) => (comesBack(each) ? { ...each, to: null } : each));
}

const capacity = step('capacity of a channel', ({ channel }: { channel: Channel }): number => channelCapacity(channel));

/** What an inlet takes with as much water over it as is allowed, m³/s. */
function mostTaken(
  job: Job,
  inlet: GroundInlet,
  plan: Exclude<InletPlan, { kind: 'downspout' }>,
  isFull: boolean,
): number {
  if (plan.kind === 'basin') return plan.capacity;
  // Some hundred profiles: asked for only where it runs over.
  const own =
    inlet.kind === 'channel' && isFull
      ? keptOf(job).ask(capacity, { channel: inlet }, inlet.id)
      : Number.POSITIVE_INFINITY;
  return Math.min(own, plan.outletCapacity ?? Number.POSITIVE_INFINITY);
}

interface Tried {
  layout: Layout;
  response: RainResponse;
  inlets: Readonly<Record<string, InletPlan>>;
}

/** Inlets in low spots, and open stone, that are too small for what comes. */
function tooSmall(job: Job, { response, inlets }: Tried, before: ReadonlyMap<string, Diverted>, leads: LeadsTo) {
  const found: [string, Diverted][] = [];
  const put = (id: string, offered: number, most: number): void => {
    if (most >= offered) return;
    found.push([id, { keeps: most / offered, past: leads(id), rises: null }]);
  };
  for (const inlet of groundInlets(job)) {
    const plan = inlets[inlet.id];
    if (!plan || plan.kind === 'downspout' || inlet.approach || plan.offered <= 0) continue;
    const isFull = before.has(inlet.id) || (plan.kind === 'channel' && plan.profile.over > 0);
    put(inlet.id, plan.offered, mostTaken(job, inlet, plan, isFull));
  }
  for (const { id } of ofKind(job, 'stoneDrain')) {
    const plan = response.works.plans[id];
    if (plan?.kind === 'stoneDrain') put(id, response.flows.onSlope.get(id)?.offered ?? plan.flow, plan.capacity);
  }
  return found;
}

/** A blocked grate passes all that its fellows do not take. */
function pastBlocked(job: Job, id: string, { inlets }: Tried, leads: LeadsTo): Diverted {
  const element = job.elements.get(id) as GroundInlet;
  const plan = inlets[id];
  const count = element.kind === 'basin' ? ((element as Basin).count ?? 1) : 1;
  const left = plan?.kind === 'basin' ? (plan.capacity * (count - 1)) / count : 0;
  const keeps = plan && plan.offered > 0 ? Math.min(1, left / plan.offered) : 0;
  return { keeps, past: leads(id), rises: null };
}

/** All that goes elsewhere than it came to, in a case as far as it is tried. */
export function divertedIn(
  job: Job,
  tried: Tried,
  {
    blocked,
    rising,
    before,
  }: { blocked: string | null; rising: readonly Rising[]; before: ReadonlyMap<string, Diverted> },
  leads: LeadsTo,
): Map<string, Diverted> {
  const all = new Map(tooSmall(job, tried, before, leads));
  if (blocked !== null) all.set(blocked, pastBlocked(job, blocked, tried, leads));
  for (const { outlet, carried, to } of rising) {
    if (to === null) continue;
    // What went in anywhere along the line comes up at its lowest place.
    for (const { id } of lineOf(tried.layout, outlet)) {
      const own = all.get(id) ?? { keeps: 1, past: null };
      all.set(id, { ...own, rises: { to, share: 1 - carried } });
    }
  }
  return all;
}
