/** What every work that is not pipe does in a rain, and the water that it makes stand against the pipes that end in it. */
import { letsInto } from '../catalogue/outfalls';
import { headOf, keptOf, ofKind, type Job } from '../job/job';
import { diameterOf, type Discharge, type Element, type RainElement, type Swale } from '../job/kinds';
import { NONE } from '../network/tree';
import { alikeMaps, step, type Kept } from '../numeric/kept';
import { footOnWay, wayLength } from '../site/place';
import { entryOf, WORK_KINDS, WORKS, type WorkElementKind, type WorkPlan } from '../works';
import { levelsUnder } from '../works/levelAt';
import { stormOf } from '../works/storm';
import { waterAt, type SwalePlan } from '../works/swale';
import { TURNS, type AnyWork, type AtLanding, type Here, type InGround, type Turn } from '../works/work';
import { groundOf } from '../yard/ground';
import { drainsOf, type Drains } from './drains';
import type { Flowing, JobFlows } from './flows';
import { openWaysOf, type OpenWays } from './groundWays';
import type { Layout } from './layout';
import { byId } from './solution';

export interface Works {
  plans: Readonly<Record<string, WorkPlan>>;
  /** Water that stands at ways out by them, m, by id. */
  standing: ReadonlyMap<string, number>;
}

const NO_WORKS: Works = { plans: byId(), standing: new Map() };

/** Works by kind; and ways out that are works, or let out into one. */
type Lists = { [K in WorkElementKind]: readonly Element[] } & { discharge: readonly Discharge[] };

interface Read extends Lists, InGround {
  /** What drains lead off whatever the sky does. */
  drains: Drains;
  flows: JobFlows;
  ways: Flowing['ways'];
  order: OpenWays['ways'];
  layout: Layout;
  rain: RainElement | undefined;
}

/** Where on a swale a way out lies, as a share of its length: by its place, or by its own level; at its foot where nothing says. */
export function shareOn(swale: Swale, plan: SwalePlan, { place, controlLevel }: Discharge): number {
  const foot = place && swale.way ? footOnWay(swale.way, place) : null;
  if (foot) return foot.along / wayLength(swale.way!);
  const fall = plan.headLevel - plan.footLevel;
  return controlLevel === undefined || fall <= 0 ? 1 : Math.min(1, Math.max(0, (plan.headLevel - controlLevel) / fall));
}

const NOTHING: AtLanding = { entering: 0, passing: 0, fixed: 0, enteringArea: 0, passingArea: 0 };

/** The plan that works stand in, as far as it is made. */
function hereOf(read: Read, plans: Readonly<Record<string, WorkPlan>>, kept: Kept): Here {
  const { flows, ways, layout, rain, soil, ground } = read;
  const { tree, settings } = layout;
  const elements = new Map(listed(read).map((element) => [element.id, element]));
  return {
    settings,
    soil,
    ground,
    levelAt: levelsUnder(ground),
    storm: stormOf(rain, kept),
    kept,
    comesDown: (id) => ways.get(id)?.flow ?? 0,
    at: (id) => {
      const at = tree.indexOf.get(id);
      if (at === undefined) return NOTHING;
      return {
        entering: flows.entering[at]!,
        passing: flows.flow[at]!,
        fixed: flows.fixed[at]!,
        enteringArea: flows.enteringArea[at]!,
        passingArea: flows.passingArea[at]!,
      };
    },
    outletOf: (id) => {
      const leaving = tree.leaving[tree.indexOf.get(id) ?? -1] ?? NONE;
      return leaving === NONE ? null : diameterOf(tree.runs[leaving]!);
    },
    planOf: (id) => plans[id],
    element: (id) => elements.get(id),
  };
}

const listed = (lists: Lists): Element[] => [...WORK_KINDS.flatMap((kind) => lists[kind]), ...lists.discharge];

/** Works by when they are planned. Open ways go from the foot of the yard up; those that go round are in no order, and are worked out all the same. */
function inTurn(read: Read): Record<Turn, [Element, AnyWork][]> {
  const byTurn = Object.fromEntries(TURNS.map((turn) => [turn, []])) as unknown as Record<Turn, [Element, AnyWork][]>;
  for (const element of listed(read)) {
    const entry = entryOf(element);
    if (entry?.inRain) byTurn[entry.inRain.turn].push([element, entry]);
  }
  const upward = new Map([...read.order].reverse().map(({ id }, place) => [id, place]));
  const placeOf = ([{ id }]: [Element, AnyWork]): number => upward.get(id) ?? upward.size;
  byTurn.way.sort((a, b) => placeOf(a) - placeOf(b));
  return byTurn;
}

const standings = step('water that works make stand', ({ made }: { made: ReadonlyMap<string, number> }) => made);

const works = step('works', (read: Read, kept): Works => {
  const plans = byId<WorkPlan>();
  const standing = new Map<string, number>();
  const here = hereOf(read, plans, kept);
  const byTurn = inTurn(read);
  for (const turn of TURNS)
    for (const [element, entry] of byTurn[turn]) {
      const plan = entry.inRain!.plan(element, here) as WorkPlan;
      plans[element.id] = plan;
      if (entry.stands) standing.set(element.id, entry.stands(plan));
    }
  for (const discharge of read.discharge) {
    const swale = here.element(letsInto(discharge) ?? '');
    const plan = swale?.kind === 'swale' ? (plans[swale.id] as SwalePlan) : null;
    if (swale?.kind === 'swale' && plan && plan.depth > 0)
      standing.set(discharge.id, waterAt(plan, shareOn(swale, plan, discharge)));
  }
  for (const [id, plan] of read.drains) plans[id] = plan;
  // Where the water stands as before, no pipe need be looked at again.
  return { plans, standing: kept.alike(standings, standing, alikeMaps) };
});

/** Ways out that are works, or let out into a swale. */
const outlets = step('ways out with works', ({ discharges }: { discharges: readonly Discharge[] }) =>
  discharges.filter((discharge) => entryOf(discharge) !== undefined || letsInto(discharge) !== undefined),
);

/** Works of a job in a rain. */
export function worksOf(job: Job, rain: RainElement | undefined, layout: Layout, { flows, ways }: Flowing): Works {
  const kept = keptOf(job);
  const lists = Object.fromEntries([
    ...WORK_KINDS.map((kind) => [kind, ofKind(job, kind)]),
    ['discharge', kept.ask(outlets, { discharges: ofKind(job, 'discharge') })],
  ]) as unknown as Lists;
  if (WORKS.every(({ of }) => lists[of as keyof Lists].length === 0)) return NO_WORKS;
  return kept.ask(works, {
    ...lists,
    drains: drainsOf(job),
    flows,
    ways,
    order: openWaysOf(job).ways,
    layout,
    rain,
    soil: headOf(job).soil,
    ground: groundOf(job).surface,
  });
}
