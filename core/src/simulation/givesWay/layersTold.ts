/** A storm that is over, told layer by layer: what came to each thing, what it passed on and to whom, what is left to a sill. */
import { OUTFALLS } from '../../catalogue/outfalls';
import { elementOf, groundInlets, headOf, ofKind, type Job } from '../../job/job';
import type { Landing } from '../../job/kinds';
import { placeOfLanding } from '../../job/places';
import { resolveSettings } from '../../job/settings';
import { NONE, type Tree } from '../../network/tree';
import { layOut } from '../../plan/layout';
import type { Plan } from '../../verdict/planJob';
import { leadingIn } from '../../yard/downhill';
import { keepsWater } from '../ends/waysOut';
import type { LandingTold, StormTold } from '../stormRun';
import { cellOf, type LayerCell, type LayerId, type LayerPart } from './layer';

/** Where what a thing does not take goes, by id: as it is said, or as the ground leads it; null where nothing is known, or nothing stands there. */
type LeadsTo = (id: string) => string | null;

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

const part = (id: string, more: Partial<LayerPart>): LayerPart => ({
  id,
  came: 0,
  passed: 0,
  to: null,
  left: null,
  deep: 0,
  ...more,
});

/** A line this long without room at an inlet is full, s. */
const FULL = 60;

/** Water in and on one landing of a line. */
interface At extends LandingTold {
  landing: Landing;
  /** Whether it takes from above. */
  takes: boolean;
}

const isInlet = ({ kind }: Landing): boolean => kind === 'basin' || kind === 'channel' || kind === 'stoneDrain';

/** Keeps its water to itself: it fills, and lets none out as a pipe does. */
const isStore = (landing: Landing): boolean =>
  landing.kind === 'pavedBed' || (landing.kind === 'discharge' && keepsWater(landing));

/** Every layer of a job in a storm. `plan`: the job's own; `leads`: where what a thing does not take goes. */
export function layersTold(
  given: Job,
  plan: Plan,
  told: Omit<StormTold, 'frames'>,
  leads: LeadsTo,
): Record<LayerId, LayerCell> {
  const job = plan.here ?? given;
  const { tree } = layOut(job);
  const byId = new Map(told.landings.map((each) => [each.id, each]));
  const at = tree.landings.flatMap((landing): At[] => {
    const found = byId.get(landing.id);
    return found ? [{ ...found, landing, takes: isInlet(landing) }] : [];
  });
  const margin = resolveSettings(headOf(job).settings).openingMargin;
  const gutters = told.gutters.map(({ id, came, spilled }) => part(id, { came, passed: spilled, to: leads(id) }));
  const parts: Record<Exclude<LayerId, 'gutters'>, LayerPart[]> = {
    grates: at.filter(({ takes }) => takes).flatMap((each) => ofGrate(each, leads)),
    pipes: ofLines(tree, at, told),
    stores: at.filter(({ landing }) => isStore(landing)).map((each) => ofStore(each, told, leads)),
    swales: ofSwales(job, told),
    drains: ofDrains(plan, told.reached),
    berms: ofBerms(job, plan, told),
    doors: told.doors.map(({ id, margin: left }) => part(id, { left })),
  };
  const cells = Object.entries(parts).map(([id, of]) => [id, cellOf(id as LayerId, of, { margin })]);
  const came = offRoofs(job, gutters);
  return { gutters: cellOf('gutters', gutters, { margin, came }), ...Object.fromEntries(cells) } as Record<
    LayerId,
    LayerCell
  >;
}

/** What comes off the roofs: what an upper downspout lets on to a lower gutter is not counted there again. */
function offRoofs(job: Job, parts: readonly LayerPart[]): number {
  return parts.reduce((sum, { id, came, passed }) => {
    const landsOn = elementOf(job, 'downspout', id)?.landsOn ?? [];
    return sum + came - (landsOn.length > 0 ? came - passed : 0);
  }, 0);
}

/** While its line is full it is the line that does not take. */
function ofGrate(
  { id, captured, passed, passedFull, peak, secondsOver, secondsFull }: At,
  leads: LeadsTo,
): LayerPart[] {
  const past = passed - passedFull;
  const deep = secondsOver > 0 && secondsFull < FULL ? peak : 0;
  return captured + past > 0 || deep > 0
    ? [part(id, { came: captured + past, passed: past, to: leads(id), deep })]
    : [];
}

/** What comes up out of a line, or does not go in, at one place of it. */
const backsUp = ({ takes, passedFull, cameUp }: At): number => (takes ? passedFull : cameUp);

function ofLines(tree: Tree, at: readonly At[], { ends }: Pick<StormTold, 'ends'>): LayerPart[] {
  const came = new Map(ends.map((end) => [end.id, end.came]));
  const lines = new Map<string, At[]>();
  for (const each of at) {
    const index = tree.indexOf.get(each.id)!;
    const outlet = tree.outlet[index]!;
    const hasPipe = tree.leaving[index] !== NONE || tree.arriving[index]!.length > 0;
    if (isStore(each.landing) || !(hasPipe || each.entered > 0 || each.captured > 0)) continue;
    // Where no pipe goes on and none lets out, all that comes runs over.
    const line = outlet === NONE ? each.id : tree.landings[outlet]!.id;
    lines.set(line, [...(lines.get(line) ?? []), each]);
  }
  return [...lines].flatMap(([id, along]): LayerPart[] => {
    const passed = along.reduce((sum, each) => sum + backsUp(each), 0);
    const inChannel = along.some(({ landing }) => landing.kind === 'discharge' && OUTFALLS[landing.form].inChannel);
    const most = along.reduce((one, other) => (backsUp(other) > backsUp(one) ? other : one));
    const stands = along
      .filter(({ takes, secondsFull, secondsOver }) => takes && secondsFull >= FULL && secondsOver > 0)
      .reduce<At | null>((one, other) => (one && one.peak >= other.peak ? one : other), null);
    // What runs on through a channel is carried by the line that leaves that.
    const carried = inChannel ? 0 : Math.max(0, came.get(id) ?? 0);
    const comes = carried + passed;
    if (comes <= 0 && !stands) return [];
    const to = passed > 0 ? most.id : (stands?.id ?? null);
    return [part(id, { came: comes, passed, to, deep: stands?.peak ?? 0 })];
  });
}

function ofStore({ id, entered, cameUp }: At, { ends }: Pick<StormTold, 'ends'>, leads: LeadsTo): LayerPart {
  const piped = ends.find((end) => end.id === id)?.came ?? 0;
  return part(id, { came: Math.max(cameUp, entered + piped), passed: cameUp, to: leads(id) });
}

function ofSwales(job: Job, { led, banks }: Pick<StormTold, 'led' | 'banks'>): LayerPart[] {
  return led.flatMap(({ id, came, spilled, deepest, bank }): LayerPart[] => {
    if (elementOf(job, 'berm', id)) return [];
    const onGround = banks.find((each) => each.id === id)?.left ?? null;
    const typed = came > 0 && deepest !== null && bank !== null ? bank - deepest : null;
    const lefts = [onGround, typed].filter((left): left is number => left !== null);
    const left = lefts.length > 0 ? Math.min(...lefts) : null;
    return came > 0 || left !== null ? [part(id, { came, passed: spilled, left })] : [];
  });
}

/** A drain leads off the same whatever the sky does. */
const ofDrains = ({ works }: Plan, seconds: number): LayerPart[] =>
  Object.entries(works).flatMap(([id, plan]): LayerPart[] =>
    plan.kind === 'drain' || plan.kind === 'drainField'
      ? [part(id, { came: plan.flow * seconds, passed: Math.max(0, plan.flow - plan.capacity) * seconds })]
      : [],
  );

/** On measured ground what stood before it; elsewhere what is said to, or stands in the swale that it holds. */
function ofBerms(job: Job, { works }: Plan, { led, banks }: Pick<StormTold, 'led' | 'banks'>): LayerPart[] {
  return ofKind(job, 'berm').flatMap(({ id, holds }): LayerPart[] => {
    const onGround = banks.find((each) => each.id === id);
    if (onGround) return onGround.left === null ? [] : [part(id, { left: onGround.left })];
    const plan = works[id];
    if (plan?.kind !== 'berm' || plan.freeboard === null) return [];
    const swale = holds === undefined ? undefined : works[holds];
    const deepest = led.find((each) => each.id === holds)?.deepest ?? null;
    const fell = swale?.kind === 'swale' && deepest !== null ? swale.depth - deepest : 0;
    return [part(id, { left: plan.freeboard + fell })];
  });
}
