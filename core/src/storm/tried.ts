/** A case worked out: the job's water in it, and what share of it the pipes to each way out carry. */
import type { InletPlan } from '../inlets';
import { changed, put } from '../job/change';
import { keptOf, ofKind, type Job } from '../job/job';
import type { Landing } from '../job/kinds';
import { NONE } from '../network/tree';
import type { WaterLine } from '../network/waterLine';
import type { JobFlows } from '../plan/flows';
import { layOut, type Layout } from '../plan/layout';
import { inletsIn, rainResponse, type RainResponse } from '../plan/rainResponse';
import { waterLineOf } from '../plan/waterLine';
import { opens } from '../snags/inlets/waterOverGrate';
import { step } from '../numeric/kept';
import { LEVEL_TOLERANCE } from '../numeric/tolerance';
import { NO_OVERFLOW, type Diverted } from '../runoff/diverted';
import type { StormCase } from './cases';
import { divertedIn, risingIn, unround, type LeadsTo, type Rising } from './overflow';

export interface TriedCase extends StormCase {
  layout: Layout;
  response: RainResponse;
  inlets: Readonly<Record<string, InletPlan>>;
  /** Inlets as high as water stands at them where nobody knows what takes what they do not: it stands there until it goes in. */
  standing: Readonly<Record<string, InletPlan>>;
  /** Of what comes to a way out, the share that its pipes carry without coming up anywhere, by id; all of it where left out. */
  carried: ReadonlyMap<string, number>;
  /** What of it does not go in where it comes to, by landing. */
  diverted: ReadonlyMap<string, Diverted>;
  /** Lines from which water comes up. */
  rising: readonly Rising[];
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

/** Flows over the ground that feed one another: no yard goes round more often. */
const ROUNDS = 4;

/** Shares this near to one another are the same: a line's own is halved in on to a thirty-second. */
const NEAR = 1e-6;

const isSame = (one: ReadonlyMap<string, Diverted>, other: ReadonlyMap<string, Diverted>): boolean =>
  one.size === other.size &&
  [...one].every(([id, { keeps, past, rises }]) => {
    const then = other.get(id);
    return (
      then !== undefined &&
      then.past === past &&
      then.rises?.to === rises?.to &&
      Math.abs(then.keeps - keeps) < NEAR &&
      Math.abs((then.rises?.share ?? 0) - (rises?.share ?? 0)) < NEAR
    );
  });

const diversions = step(
  'what is diverted',
  ({ made }: { made: ReadonlyMap<string, Diverted> }): ReadonlyMap<string, Diverted> => made,
);

/** The job with what its gutters spill led on where the ground leads it. */
function withSpills(job: Job, inlets: TriedCase['inlets'], leads: LeadsTo): Job {
  const led = ofKind(job, 'downspout').flatMap((spout) => {
    const plan = inlets[spout.id];
    const to =
      plan?.kind === 'downspout' && plan.overshoot > 0 && spout.spillsTo === undefined ? leads(spout.id) : null;
    return to === null ? [] : [{ ...spout, spillsTo: to }];
  });
  return led.length > 0 ? { ...changed(job, put('Spills', ...led)), kept: keptOf(job) } : job;
}

/** Works a case out: round by round, as what does not go in at one place comes to another. `like`: one that is nearly the same, to begin from. */
export function tryCase(given: StormCase, leads: LeadsTo, like?: TriedCase): TriedCase {
  const layout = layOut(given.job);
  const plain = rainResponse(given.job, given.rain, layout, { ...NO_OVERFLOW, spillsLeave: true });
  const job = withSpills(given.job, inletsIn(given.job, layout, plain), leads);
  const ids = (shares: ReadonlyMap<number, number>): [string, number][] =>
    [...shares].map(([at, share]) => [layout.tree.landings[at]!.id, share]);
  const shut = [...given.closed].map((id): [string, number] => [id, 0]);
  // What is told is what the last round was made with: nothing is lost between what goes on and what comes.
  let made: Pick<TriedCase, 'diverted' | 'carried'> = like ?? {
    diverted: NO_OVERFLOW.diverted,
    carried: new Map(shut),
  };
  const standingIn = (inlets: TriedCase['inlets'], diverted: ReadonlyMap<string, Diverted>): TriedCase['standing'] => {
    const stays = [...diverted].filter(([id, { past }]) => past === null && id !== given.blocked);
    if (stays.length === 0) return inlets;
    const led = new Map([...diverted, ...stays.map(([id, each]) => [id, { ...each, keeps: 1 }] as const)]);
    return inletsIn(job, layout, rainResponse(job, given.rain, layout, { diverted: led, spillsLeave: true }));
  };
  for (let round = 1; ; round++) {
    const response = rainResponse(job, given.rain, layout, { diverted: made.diverted, spillsLeave: true });
    const inlets = inletsIn(job, layout, response);
    const over = flooded(layout, response.water);
    const carried = new Map([...ids(carriedShares(job, layout, response, over)), ...shut]);
    const found = { layout, response, inlets };
    const rising = unround(layout, risingIn(found, carried, leads), leads);
    const diverted = keptOf(job).alike(
      diversions,
      divertedIn(job, found, { blocked: given.blocked, rising, before: made.diverted }, leads),
      isSame,
    );
    const isSettled = isSame(diverted, made.diverted);
    if (isSettled || round >= ROUNDS) {
      const comesUp = over.map((at) => (layout.tree.landings[at] as Landing).id);
      const last = isSettled ? carried : made.carried;
      return {
        ...given,
        job,
        ...found,
        diverted: made.diverted,
        standing: standingIn(inlets, made.diverted),
        carried: last,
        rising: unround(layout, risingIn(found, last, leads), leads),
        comesUp,
      };
    }
    made = { diverted, carried };
  }
}
