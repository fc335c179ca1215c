/** Layers of defence: what each takes, what it passes on and to whom, rain by rain and when one fails. */
import { leftToSill } from '../snags/inlets/blockedGrate';
import type { InletPlan } from '../inlets';
import { elementOf, groundInlets, ofKind, type Job } from '../job/job';
import type { GroundInlet } from '../job/kinds';
import { NONE } from '../network/tree';
import { holding, Kept } from '../numeric/kept';
import { placeOfLanding } from '../job/places';
import type { Plan } from '../verdict/planJob';
import { workOf, WORKS } from '../works';
import type { InStorm } from '../works/work';
import { situated } from '../yard/situate';
import { leadingIn } from '../yard/downhill';
import { casesOf, type CaseId } from './cases';
import { tryCase, type TriedCase } from './tried';
import { drowningIn, firstOf, type Drowning } from './drowning';

export const LAYERS = ['gutters', 'grates', 'pipes', 'stores', 'swales', 'drains', 'berms', 'doors'] as const;
export type LayerId = (typeof LAYERS)[number];

/** One thing of a layer in one case. */
export interface LayerPart {
  /** Its element. */
  id: string;
  /** m³/s */
  offered: number;
  passed: number;
  /** What takes what it passes on, by id; null over the ground. */
  to: string | null;
  /** Of a door or a berm: what is left over the water, m; less than 0 where it stands higher. */
  left: number | null;
}

export interface LayerCell {
  /** `dry`: nothing comes. */
  state: 'dry' | 'takes' | 'passes' | 'close' | 'wet';
  offered: number;
  passed: number;
  to: string | null;
  left: number | null;
  parts: readonly LayerPart[];
}

export interface Layers {
  cases: readonly CaseId[];
  layers: readonly { id: LayerId; cells: readonly LayerCell[] }[];
  /** What gives way first, in the order of the cases; null where all holds. */
  first: { layer: LayerId; case: CaseId; cell: LayerCell } | null;
  /** Lines that carry waters of several kinds, and where one comes up through another's inlet. */
  drowning: readonly Drowning[];
  /** What the next ones may keep of them. */
  readonly kept?: Kept;
}

/** Less than this runs past unseen, m³/s: a twentieth of a litre a second. */
const TRICKLE = 5e-5;

const part = (id: string, offered: number, passed: number, to: string | null = null): LayerPart => ({
  id,
  offered,
  passed: passed > TRICKLE ? passed : 0,
  to,
  left: null,
});
const margin = (id: string, left: number): LayerPart => ({ id, offered: 0, passed: 0, to: null, left });

/** Where the ground leads what runs past an inlet: the first of what takes water in its way; null where nothing is levelled, or nothing stands there. */
function downhillFrom(job: Job): (id: string) => string | null {
  const leading = leadingIn(job);
  return (id) => {
    const place = placeOfLanding(job.elements.get(id));
    return (place && leading?.from(place, id)?.to) ?? null;
  };
}

class Telling {
  private readonly downhill: (id: string) => string | null;

  constructor(
    private readonly tried: TriedCase,
    job: Job,
  ) {
    this.downhill = downhillFrom(job);
  }

  private get settings() {
    return this.tried.layout.settings;
  }

  private outletOf(id: string): string | null {
    return this.tried.response.landings[id]?.outlet ?? null;
  }

  private shut(id: string): boolean {
    const outlet = this.outletOf(id);
    return outlet !== null && this.tried.closed.has(outlet);
  }

  gutters(): LayerPart[] {
    return Object.entries(this.tried.inlets).flatMap(([id, inlet]) =>
      inlet.kind === 'downspout' && inlet.offered > 0
        ? [part(id, inlet.offered, inlet.overshoot, elementOf(this.tried.job, 'downspout', id)?.spillsTo ?? null)]
        : [],
    );
  }

  grates(): LayerPart[] {
    const inlets = groundInlets(this.tried.job).flatMap((inlet): LayerPart[] => {
      const plan = this.tried.inlets[inlet.id];
      if (!plan || plan.kind === 'downspout' || plan.offered <= 0) return [];
      const passed = this.tried.blocked === inlet.id ? plan.offered : this.passes(plan);
      return [part(inlet.id, plan.offered, passed, inlet.passesTo ?? this.downhill(inlet.id))];
    });
    return [...inlets, ...this.works('grates')];
  }

  /** What runs past an inlet: over its grate, or more than it takes with as much water over it as is allowed. */
  private passes(plan: Exclude<InletPlan, { kind: 'downspout' }>): number {
    const most = plan.kind === 'basin' ? plan.capacity : (plan.outletCapacity ?? Number.POSITIVE_INFINITY);
    return plan.passedOn + Math.max(0, plan.taken - most);
  }

  pipes(): LayerPart[] {
    const { layout, response, carried, closed } = this.tried;
    const { tree } = layout;
    // Where no pipe goes on and none lets out, all that comes runs over.
    const stuck = tree.landings.flatMap((landing, at) => {
      const flow = response.flows.flow[at]!;
      const soaks = response.works.plans[landing.id]?.kind === 'pavedBed';
      return landing.kind !== 'discharge' && tree.leaving[at] === NONE && flow > 0 && !soaks
        ? [part(landing.id, flow, flow)]
        : [];
    });
    const led = ofKind(this.tried.job, 'discharge').flatMap(({ id }) => {
      const at = tree.indexOf.get(id)!;
      const flow = response.flows.flow[at]!;
      if (flow <= 0 || tree.arriving[at]!.length === 0) return [];
      const share = closed.has(id) ? 0 : (carried.get(at) ?? 1);
      return [part(id, flow, flow * (1 - share))];
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
        return passes ? [part(id, passes.offered, passes.passed)] : left === null ? [] : [margin(id, left)];
      });
    });
  }

  stores(): LayerPart[] {
    return this.works('stores');
  }

  swales(): LayerPart[] {
    return this.works('swales');
  }

  drains(): LayerPart[] {
    return this.works('drains');
  }

  berms(): LayerPart[] {
    return this.works('berms');
  }

  doors(): LayerPart[] {
    const { job, inlets, response } = this.tried;
    const byInlet = groundInlets(job).flatMap((inlet) => {
      const plan = inlets[inlet.id];
      if (!plan || plan.kind === 'downspout' || inlet.sillLevel === undefined) return [];
      return [margin(inlet.id, this.underSill(inlet, plan))];
    });
    const plans = Object.entries(response.works.plans);
    const byWork = WORKS.flatMap((entry) =>
      plans.flatMap(([id, plan]) => (workOf(plan) === entry ? (entry.storm?.doors?.(job, id, plan) ?? []) : [])),
    );
    return [...byInlet, ...byWork.map(({ opening, left }) => margin(opening, left))];
  }

  /** What is left to a sill at an inlet: with it blocked, or its line shut, all that comes runs off over the ground. */
  private underSill(inlet: GroundInlet, plan: Exclude<InletPlan, { kind: 'downspout' }>): number {
    if (this.tried.blocked === inlet.id || this.shut(inlet.id)) return leftToSill(inlet, plan.offered, this.settings);
    return plan.freeboard ?? 0;
  }

  cell(layer: LayerId): LayerCell {
    const parts = this[layer]();
    const offered = parts.reduce((sum, each) => sum + each.offered, 0);
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
        ? left < 0
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
}

const fails = ({ state }: LayerCell): boolean => state === 'passes' || state === 'wet';

/** The layers of a job. `plan` is its own; `before`: those of the job before an edit, of which is kept what reads the same. */
export function layersOf(given: Job, plan: Plan, before?: Layers): Layers {
  const here = situated(given, plan);
  const kept = new Kept(here.kept, before?.kept);
  const job: Job = { ...here, kept };
  const tried = casesOf(job, plan).map(tryCase);
  const tellings = tried.map((each) => new Telling(each, job));
  const layers = LAYERS.map((id) => ({ id, cells: tellings.map((telling) => telling.cell(id)) })).filter(({ cells }) =>
    cells.some(({ parts }) => parts.length > 0),
  );
  const first =
    tried
      .flatMap(({ id: each }, k) => layers.map(({ id: layer, cells }) => ({ layer, case: each, cell: cells[k]! })))
      .find(({ cell }) => fails(cell)) ?? null;
  kept.close();
  const found = { cases: tried.map(({ id }) => id), layers, first, drowning: firstOf(tried.flatMap(drowningIn)) };
  return holding(found, 'kept', kept);
}
