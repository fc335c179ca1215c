/** What every work that is not pipe does in a rain, and the water that it makes stand against the pipes that end in it. */
import { letsInto, OUTFALLS } from '../catalogue/outfalls';
import type { Soil } from '../catalogue/soils';
import type { Surface as GroundSurface } from '../ground/surface';
import { headOf, ofKind, type Job } from '../job/job';
import {
  diameterOf,
  type Barrel,
  type Berm,
  type Culvert,
  type Discharge,
  type PavedBed,
  type RainElement,
  type StoneDrain,
  type Swale,
} from '../job/kinds';
import { NONE } from '../network/tree';
import { alikeMaps, stage, steady } from '../numeric/stage';
import { footOnWay, wayLength, type Place } from '../site/place';
import { bermPlan } from '../works/berm';
import { culvertPlan, type CulvertPlan } from '../works/culvert';
import { conductivityOf } from '../works/measures';
import { pavedBedPlan, type PavedBedPlan } from '../works/pavedBed';
import { pumpPlan } from '../works/pumpBasin';
import { stoneDrainPlan } from '../works/stoneDrain';
import { stormOf } from '../works/storm';
import { storeOf, storePlan, type StorePlan } from '../works/store';
import { swalePlan, waterAt, type SwalePlan } from '../works/swale';
import type { WorkPlan } from '../works';
import { groundOf } from '../yard/ground';
import { drainsOf, type Drains } from './drains';
import type { Flowing, JobFlows } from './flows';
import { levelsUnder, openWaysOf, type OpenWays } from './groundWays';
import type { Layout } from './layout';
import { perElement } from '../numeric/perElement';
import { byId } from './solution';

export interface Works {
  plans: Readonly<Record<string, WorkPlan>>;
  /** Water that stands at ways out by them, m, by id. */
  standing: ReadonlyMap<string, number>;
}

const NO_WORKS: Works = { plans: byId(), standing: new Map() };

/** Works of a job by kind. */
interface Listed {
  swales: readonly Swale[];
  culverts: readonly Culvert[];
  berms: readonly Berm[];
  stoneDrains: readonly StoneDrain[];
  beds: readonly PavedBed[];
  barrels: readonly Barrel[];
}

const stored = perElement<Discharge, StorePlan>();
const held = perElement<PavedBed, PavedBedPlan>();

/** Where on a swale a way out lies, as a share of its length: by its place, or by its own level; at its foot where nothing says. */
function shareOn(swale: Swale, plan: SwalePlan, { place, controlLevel }: Discharge): number {
  const foot = place && swale.way ? footOnWay(swale.way, place) : null;
  if (foot) return foot.along / wayLength(swale.way!);
  const fall = plan.headLevel - plan.footLevel;
  return controlLevel === undefined || fall <= 0 ? 1 : Math.min(1, Math.max(0, (plan.headLevel - controlLevel) / fall));
}

/** Highest water in a swale beside a berm, m. */
function beside(swale: Swale, plan: SwalePlan, way: readonly Place[] | undefined): number {
  const feet = (way ?? []).flatMap((place) => (swale.way ? (footOnWay(swale.way, place) ?? []) : []));
  const share = feet.length > 0 ? Math.min(...feet.map(({ along }) => along / wayLength(swale.way!))) : 0;
  return waterAt(plan, share);
}

class Working {
  readonly plans = byId<WorkPlan>();
  readonly standing = new Map<string, number>();

  constructor(
    private readonly listed: Listed,
    private readonly flows: JobFlows,
    private readonly ways: Flowing['ways'],
    private readonly order: OpenWays['ways'],
    private readonly layout: Layout,
    private readonly rain: RainElement | undefined,
    private readonly soil: Soil | undefined,
    private readonly ground: GroundSurface | null,
  ) {}

  private wayFlow(id: string): number {
    return this.ways.get(id)?.flow ?? 0;
  }

  private at(id: string): number {
    return this.layout.tree.indexOf.get(id) ?? -1;
  }

  /** Inside diameter of the pipe that leaves a landing, m; null without one. */
  private outletOf(id: string): number | null {
    const { tree } = this.layout;
    const leaving = tree.leaving[this.at(id)] ?? NONE;
    return leaving === NONE ? null : diameterOf(tree.runs[leaving]!);
  }

  /** Open ways from the foot of the yard up: what each runs into stands against it. */
  openWays(): void {
    const { swales, culverts, berms } = this.listed;
    const byId = new Map([...swales, ...culverts].map((way) => [way.id, way]));
    // Ways that go round are in no order; they are worked out all the same.
    const upward = [...this.order].reverse().flatMap(({ id }) => byId.get(id) ?? []);
    for (const way of new Set([...upward, ...byId.values()]))
      this.plans[way.id] = way.kind === 'swale' ? this.swale(way) : this.culvert(way);
    for (const berm of berms) {
      const swale = berm.holds === undefined ? undefined : byId.get(berm.holds);
      const water = swale?.kind === 'swale' ? beside(swale, this.plans[swale.id] as SwalePlan, berm.way) : null;
      this.plans[berm.id] = bermPlan(berm, this.wayFlow(berm.id), water);
    }
  }

  /** A swale, before a culvert as deep as that asks. */
  private swale(swale: Swale): SwalePlan {
    const plan = swalePlan(swale, this.wayFlow(swale.id), conductivityOf(swale, this.soil), levelsUnder(this.ground));
    const below = swale.to === undefined ? undefined : this.plans[swale.to];
    const deeper = below?.kind === 'culvert' ? below.waterLevel - plan.footLevel - plan.depth : 0;
    return deeper > 0 ? { ...plan, depth: plan.depth + deeper, freeboard: plan.freeboard - deeper } : plan;
  }

  private culvert(culvert: Culvert): CulvertPlan {
    const below = culvert.to === undefined ? undefined : this.plans[culvert.to];
    const tailwater = below?.kind === 'swale' ? waterAt(below, 0) : Number.NEGATIVE_INFINITY;
    return culvertPlan(culvert, this.wayFlow(culvert.id), tailwater, this.layout.settings.leastCover);
  }

  landings(): void {
    const { entering, enteringArea, flow, fixed } = this.flows;
    for (const drain of this.listed.stoneDrains)
      this.plans[drain.id] = stoneDrainPlan(drain, entering[this.at(drain.id)] ?? 0);
    for (const barrel of this.listed.barrels) {
      const passing = flow[this.at(barrel.id)] ?? 0;
      this.plans[barrel.id] = {
        kind: 'barrel',
        volume: barrel.volume,
        flow: passing,
        fillTime: passing > 0 ? barrel.volume / passing : null,
      };
    }
    const storm = stormOf(this.rain);
    for (const bed of this.listed.beds) {
      const at = this.at(bed.id);
      const [area, steady] = [enteringArea[at] ?? 0, fixed[at] ?? 0];
      const outlet = this.outletOf(bed.id);
      this.plans[bed.id] = held(
        bed,
        [area, steady],
        () => pavedBedPlan(bed, outlet, { area, fixed: steady }, storm, this.soil),
        [outlet, storm, this.soil],
      );
    }
  }

  outlets(discharges: readonly Discharge[]): void {
    const storm = stormOf(this.rain);
    const { flow, fixed, passingArea } = this.flows;
    const swales = new Map(this.listed.swales.map((swale) => [swale.id, swale]));
    for (const discharge of discharges) {
      const at = this.at(discharge.id);
      const store = storeOf(discharge);
      if (store) {
        const comes = { area: passingArea[at]!, flow: flow[at]!, fixed: fixed[at]! };
        const plan = stored(
          discharge,
          [comes.area, comes.flow, comes.fixed],
          () => storePlan(discharge, store, comes, storm, this.soil),
          [storm, this.soil],
        );
        this.plans[discharge.id] = plan;
        this.standing.set(discharge.id, plan.peakLevel);
      } else if (OUTFALLS[discharge.form].pumps) {
        const plan = pumpPlan(discharge, flow[at]!);
        this.plans[discharge.id] = plan;
        this.standing.set(discharge.id, plan.standing);
      }
      const swale = swales.get(letsInto(discharge) ?? '');
      const plan = swale ? (this.plans[swale.id] as SwalePlan) : null;
      if (swale && plan && plan.depth > 0)
        this.standing.set(discharge.id, waterAt(plan, shareOn(swale, plan, discharge)));
    }
  }
}

const standings = steady<ReadonlyMap<string, number>>(alikeMaps);

const works = stage(
  'works',
  (
    swales: readonly Swale[],
    culverts: readonly Culvert[],
    berms: readonly Berm[],
    stoneDrains: readonly StoneDrain[],
    beds: readonly PavedBed[],
    barrels: readonly Barrel[],
    discharges: readonly Discharge[],
    drains: Drains,
    flows: JobFlows,
    ways: Flowing['ways'],
    order: OpenWays['ways'],
    layout: Layout,
    rain: RainElement | undefined,
    soil: Soil | undefined,
    ground: GroundSurface | null,
  ): Works => {
    const listed = { swales, culverts, berms, stoneDrains, beds, barrels };
    const working = new Working(listed, flows, ways, order, layout, rain, soil, ground);
    working.openWays();
    working.landings();
    working.outlets(discharges);
    for (const [id, plan] of drains) working.plans[id] = plan;
    // Where the water stands as before, no pipe need be looked at again.
    return { plans: working.plans, standing: standings(working.standing) };
  },
);

const isWork = (discharge: Discharge): boolean =>
  OUTFALLS[discharge.form].store !== undefined ||
  OUTFALLS[discharge.form].pumps === true ||
  letsInto(discharge) !== undefined;

const workLists = stage('outfall works', (discharges: readonly Discharge[]): readonly Discharge[] =>
  discharges.filter(isWork),
);

/** Works of a job in a rain. */
export function worksOf(job: Job, rain: RainElement | undefined, layout: Layout, { flows, ways }: Flowing): Works {
  const drains = drainsOf(job);
  const lists = (['swale', 'culvert', 'berm', 'stoneDrain', 'pavedBed', 'barrel'] as const).map((kind) =>
    ofKind(job, kind),
  );
  const discharges = workLists(ofKind(job, 'discharge'));
  if (drains.size === 0 && discharges.length === 0 && lists.every(({ length }) => length === 0)) return NO_WORKS;
  return works(
    ofKind(job, 'swale'),
    ofKind(job, 'culvert'),
    ofKind(job, 'berm'),
    ofKind(job, 'stoneDrain'),
    ofKind(job, 'pavedBed'),
    ofKind(job, 'barrel'),
    discharges,
    drains,
    flows,
    ways,
    openWaysOf(job).ways,
    layout,
    rain,
    headOf(job).soil,
    groundOf(job).surface,
  );
}
