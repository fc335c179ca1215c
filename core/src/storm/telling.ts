/** A case that was tried, told layer by layer. */
import { OUTFALLS } from '../catalogue/outfalls';
import { leftUnder, runOffLevel, type InletPlan } from '../inlets';
import { broadWeirHead } from '../hydraulics/broadWeir';
import { groundInlets, ofKind, type Job } from '../job/job';
import type { GroundInlet } from '../job/kinds';
import { placesOf } from '../job/places';
import { NONE } from '../network/tree';
import { doorsIn } from '../openings/doors';
import { TRICKLE, type OpenWater } from '../openings/openWater';
import { leftToSill } from '../snags/inlets/blockedGrate';
import { entryOf, workOf, WORKS, type WorkPlan } from '../works';
import { lengthOf } from '../works/measures';
import type { InStorm } from '../works/work';
import type { LayerCell, LayerId, LayerPart } from './layer';
import { lineOf, type LeadsTo, type Rising } from './overflow';
import type { TriedCase } from './tried';

const part = (id: string, offered: number, passed: number, to: string | null = null): LayerPart => ({
  id,
  offered,
  passed: passed > TRICKLE ? passed : 0,
  to,
  left: null,
});
const margin = (id: string, left: number | null): LayerPart => ({ id, offered: 0, passed: 0, to: null, left });

type Ground = Exclude<InletPlan, { kind: 'downspout' }>;

/** A line whose end is shut: all that comes stands at one level at every inlet under it, m; ∞ where no way off is known. */
interface Shut extends Rising {
  level: number;
}

export class Telling {
  private readonly job: Job;
  private readonly shut: readonly Shut[];
  private known: { doors?: readonly LayerPart[] } = {};

  constructor(
    readonly tried: TriedCase,
    private readonly leads: LeadsTo,
  ) {
    this.job = tried.job;
    this.shut = tried.rising
      .filter(({ outlet }) => tried.closed.has(outlet))
      .map((rising) => ({ ...rising, level: this.levelIn(rising) }));
  }

  private get settings() {
    return this.tried.layout.settings;
  }

  /** Where the water of a shut line runs off: over the lowest ground, or stone, that is known to let it. */
  private levelIn({ outlet, flow }: Rising): number {
    const levels = lineOf(this.tried.layout, outlet).map((each) => {
      if (each.kind === 'basin' || each.kind === 'channel') return runOffLevel(each, flow, this.settings);
      if (each.kind === 'stoneDrain') return each.groundLevel + broadWeirHead(flow, lengthOf(each));
      return Number.POSITIVE_INFINITY;
    });
    return Math.min(...levels);
  }

  /** The shut line that an inlet's pipe belongs to, where its water stands over it. */
  private shutAt({ id, groundLevel }: { id: string; groundLevel: number }): Shut | undefined {
    const outlet = this.tried.response.landings[id]?.outlet;
    return this.shut.find((each) => each.outlet === outlet && groundLevel <= each.level);
  }

  gutters(): LayerPart[] {
    return Object.entries(this.tried.inlets).flatMap(([id, inlet]) =>
      inlet.kind === 'downspout' && inlet.offered > 0 ? [part(id, inlet.offered, inlet.overshoot, this.leads(id))] : [],
    );
  }

  /** What comes off the roofs: what an upper downspout lets on to a lower gutter is not counted there again. */
  private offRoofs(parts: readonly LayerPart[]): number {
    const led = parts.filter(({ id }) => {
      const spout = this.job.elements.get(id);
      return spout?.kind === 'downspout' && (spout.landsOn?.length ?? 0) > 0;
    });
    const sum = (of: readonly LayerPart[], what: (each: LayerPart) => number): number =>
      of.reduce((all, each) => all + what(each), 0);
    return sum(parts, ({ offered }) => offered) - sum(led, ({ offered, passed }) => offered - passed);
  }

  grates(): LayerPart[] {
    const inlets = groundInlets(this.job).flatMap((inlet): LayerPart[] => {
      const plan = this.tried.inlets[inlet.id];
      if (!plan || plan.kind === 'downspout') return [];
      // What a pipe brings into a channel comes under its grate.
      const offered = plan.kind === 'channel' ? plan.offered - plan.through : plan.offered;
      if (offered <= 0) return [];
      const to = this.tried.response.flows.onSlope.get(inlet.id)?.to ?? null;
      const isShut = this.tried.blocked === inlet.id && !this.tried.diverted.has(inlet.id);
      return [part(inlet.id, offered, isShut ? offered : plan.passedOn, to)];
    });
    return [...inlets, ...this.works('grates')];
  }

  pipes(): LayerPart[] {
    const { layout, response, carried, rising } = this.tried;
    const { tree } = layout;
    // Where no pipe goes on and none lets out, all that comes runs over.
    const stuck = tree.landings.flatMap((landing, at) => {
      const flow = response.flows.flow[at]!;
      const soaks = response.works.plans[landing.id]?.kind === 'pavedBed';
      return landing.kind !== 'discharge' && tree.leaving[at] === NONE && flow > 0 && !soaks
        ? [part(landing.id, flow, flow)]
        : [];
    });
    const led = ofKind(this.job, 'discharge').flatMap(({ id, form }) => {
      const at = tree.indexOf.get(id)!;
      const flow = response.flows.flow[at]!;
      if (flow <= 0 || tree.arriving[at]!.length === 0) return [];
      const to = rising.find(({ outlet }) => outlet === id)?.to ?? null;
      const short = flow * (1 - (carried.get(id) ?? 1));
      // What runs on through a channel is carried by the line that leaves that.
      if (OUTFALLS[form].inChannel) return short > 0 ? [part(id, short, short, to)] : [];
      return [part(id, flow, short, to)];
    });
    return [...led, ...stuck];
  }

  /** Works of a layer, as each says of itself. */
  private works(layer: InStorm<never>['layer']): LayerPart[] {
    const { response, closed } = this.tried;
    const plans = Object.entries(response.works.plans);
    return WORKS.flatMap((entry) => {
      const { storm } = entry;
      if (storm?.layer !== layer) return [];
      return plans.flatMap(([id, plan]): LayerPart[] => {
        if (workOf(plan) !== entry) return [];
        const passes = storm.passes?.(plan, closed.has(id));
        const left = storm.left?.(plan) ?? null;
        if (!passes) return left === null ? [] : [margin(id, left)];
        // What was led on to another before it came here is told here.
        const past = response.flows.onSlope.get(id)?.passed ?? 0;
        return [part(id, passes.offered + past, passes.passed + past, this.leads(id))];
      });
    });
  }

  stores = (): LayerPart[] => this.works('stores');
  swales = (): LayerPart[] => this.works('swales');
  drains = (): LayerPart[] => this.works('drains');
  berms = (): LayerPart[] => this.works('berms');

  doors(): readonly LayerPart[] {
    return (this.known.doors ??= this.tellDoors());
  }

  private tellDoors(): LayerPart[] {
    const { standing, response } = this.tried;
    const works = this.worksStanding();
    const byInlet = groundInlets(this.job).flatMap((inlet) => {
      const plan = standing[inlet.id];
      if (!plan || plan.kind === 'downspout' || inlet.sillLevel === undefined) return [];
      return [margin(inlet.id, this.underSill(inlet, plan))];
    });
    const plans = Object.entries(works);
    const byWork = WORKS.flatMap((entry) =>
      plans.flatMap(([id, plan]) => (workOf(plan) === entry ? (entry.storm?.doors?.(this.job, id, plan) ?? []) : [])),
    );
    const drawn = doorsIn(this.job, {
      settings: this.settings,
      inlets: this.inletsStanding(),
      works,
      landings: response.landings,
      ...(this.tried.rising.length > 0 ? { more: this.comingUp() } : {}),
    });
    return [
      ...byInlet,
      ...byWork.map(({ opening, left }) => margin(opening, left)),
      ...drawn.flatMap(({ opening, left, toldBy }) => (left === null && toldBy ? [] : [margin(opening, left)])),
    ];
  }

  /** What is left to a sill at an inlet: with it blocked, or its line shut, all that comes runs off over the ground. Where no way off is known it fills to the sill. */
  private underSill(inlet: GroundInlet, plan: Ground): number {
    if (this.tried.blocked === inlet.id) return leftToSill(inlet, plan.offered, this.settings);
    const shut = this.shutAt(inlet);
    if (!shut) return plan.freeboard ?? 0;
    return Number.isFinite(shut.level) ? leftUnder(inlet.sillLevel!, shut.level) : 0;
  }

  /** Inlets as they stand with one blocked, or a line shut; the very record where none is. */
  private inletsStanding(): Readonly<Record<string, InletPlan>> {
    const { standing, blocked } = this.tried;
    if (blocked === null && this.shut.length === 0) return standing;
    const own: Record<string, InletPlan> = Object.assign(Object.create(null) as Record<string, InletPlan>, standing);
    for (const inlet of groundInlets(this.job)) {
      const plan = own[inlet.id];
      if (!plan || plan.kind === 'downspout') continue;
      const shut = this.shutAt(inlet);
      if (shut) own[inlet.id] = { ...plan, stands: { level: shut.level, runs: shut.at === inlet.id ? shut.flow : 0 } };
      else if (blocked === inlet.id) {
        const level = runOffLevel(inlet, plan.offered, this.settings);
        own[inlet.id] = { ...plan, stands: { level, runs: plan.offered } };
      }
    }
    return own;
  }

  /** Works with their lines shut: open stone gives back what it took. */
  private worksStanding(): Readonly<Record<string, WorkPlan>> {
    const { plans } = this.tried.response.works;
    if (this.shut.length === 0) return plans;
    const changed: Record<string, WorkPlan> = {};
    for (const stone of ofKind(this.job, 'stoneDrain')) {
      const shut = this.shutAt(stone);
      const plan = plans[stone.id];
      if (shut && plan && Number.isFinite(shut.level))
        changed[stone.id] = entryOf(stone)!.inLine!(plan, stone, shut.level) as WorkPlan;
    }
    return Object.assign(Object.create(null) as Record<string, WorkPlan>, plans, changed);
  }

  /** What comes up at a cleanout or a downspout's foot. */
  private comingUp(): OpenWater[] {
    return this.tried.rising.flatMap(({ at, flow }) => {
      const element = this.job.elements.get(at);
      if (element?.kind !== 'junction' && element?.kind !== 'downspout') return [];
      return [{ id: at, level: Number.POSITIVE_INFINITY, runs: flow, places: placesOf(element), sillLevel: undefined }];
    });
  }

  cell(layer: LayerId): LayerCell {
    const parts = this[layer]();
    const whole = parts.reduce((sum, each) => sum + each.offered, 0);
    const offered = layer === 'gutters' ? this.offRoofs(parts) : whole;
    const passing = parts.filter(({ passed }) => passed > 0);
    const passed = passing.reduce((sum, each) => sum + each.passed, 0);
    const worst = passing.reduce<LayerPart | null>(
      (most, each) => (each.passed > (most?.passed ?? 0) ? each : most),
      null,
    );
    const lefts = parts.flatMap(({ left }) => (left === null ? [] : [left]));
    const left = lefts.length > 0 ? Math.min(...lefts) : null;
    const state =
      left !== null
        ? left <= 0
          ? 'wet'
          : left < this.settings.openingMargin
            ? 'close'
            : 'takes'
        : passed > 0
          ? 'passes'
          : offered > 0
            ? 'takes'
            : 'dry';
    return { state, offered, passed, to: worst?.to ?? null, left, parts };
  }

  /** By what is left to the doors, then by what runs on from the grates. */
  harmsMoreThan(other: Telling): boolean {
    const left = (telling: Telling): number => Math.min(...telling.doors().map((each) => each.left ?? Infinity));
    const runs = (telling: Telling): number => telling.grates().reduce((sum, { passed }) => sum + passed, 0);
    const [here, there] = [left(this), left(other)];
    return here < there || (here === there && runs(this) > runs(other));
  }
}
