/** Rain to landings: every roof face and surface followed to where its water reaches a pipe, and counted once. */
import { SURFACE_FACTS } from '../catalogue/surfaces';
import { downspoutPlan, type DownspoutPlan, type RoofWater } from '../inlets/downspout';
import {
  landsOnGutter,
  type Downspout,
  type Feed,
  type FixedFlow,
  type RainElement,
  type RoofFace,
  type Surface,
} from '../job/kinds';
import { Kept } from '../numeric/kept';
import { indicesIn, placesOf, upstreamFirst } from '../numeric/upstreamFirst';
import { rainTable } from '../rain/intensityOfRain';
import type { IntensityTable } from '../rain/intensity';
import { frequencyFactor, runoffCoefficient } from './rational';
import { gatheringArea } from './roofArea';
import { sheetTime, shallowTime } from './timeOfConcentration';

/** What one face or surface gives. */
export interface ContributingArea {
  id: string;
  /** Gathering area, m². */
  area: number;
  /** C with the frequency factor of a rare storm, at most 1. */
  coefficient: number;
  /** C·A, m²: the flow is this times the rain. */
  effectiveArea: number;
  /** Time that its water takes to arrive, s; 0 for what answers at once. */
  time: number;
}

/** Part of what enters at a landing: how much, and how late. */
export interface Arrival {
  /** s */
  time: number;
  /** C·A, m² */
  area: number;
}

export interface Valley {
  area: number;
  gutterRun: number;
}

export interface Sources {
  contributingAreas: ContributingArea[];
  /** C·A that enters at each landing, m². */
  atLanding: ReadonlyMap<string, number>;
  /** C·A that comes down each downspout, upper ones too, m². */
  atDownspout: ReadonlyMap<string, number>;
  /** Of that, what comes down a valley, m², and how far from the downspout it comes into the gutter, m. */
  valleys: ReadonlyMap<string, Valley>;
  /** C·A that enters at each landing by the time that it takes. */
  arrivals: ReadonlyMap<string, readonly Arrival[]>;
  /** Fixed flows that enter at each landing, m³/s. */
  fixed: ReadonlyMap<string, number>;
  /** C·A by face or surface whose way is lost before any landing, m². */
  lost: ReadonlyMap<string, number>;
  /** Every downspout in this rain, by id: what it takes and what its gutter spills. */
  downspouts: ReadonlyMap<string, DownspoutPlan>;
}

/** What of a job sends water, and where water can go. */
export interface Shedding {
  faces: readonly RoofFace[];
  surfaces: readonly Surface[];
  fixedFlows: readonly FixedFlow[];
  downspouts: readonly Downspout[];
  landings: readonly { id: string }[];
  /** What leads water on over the ground. */
  ways: readonly { id: string }[];
  /** Paving that its own rain sinks through, m². */
  sinking: readonly { id: string; area: number }[];
  rain: RainElement | undefined;
  /** Water that a gutter holds over its outlets where no gutter is named, m. */
  gutterDepth: number;
}

/** Runoff coefficient of a face or surface: its own, or the usual one. */
export function coefficientOf(element: RoofFace | Surface): number {
  return element.coefficient ?? SURFACE_FACTS[element.kind === 'roofFace' ? 'roof' : element.cover].usual;
}

/** Time of the longest way over a surface, s: sheet flow, then shallow flow. */
function arrivalTime({ sheet, shallow }: Surface, table: IntensityTable): number {
  const raining = table.intensities.every((intensity) => intensity > 0);
  return (sheet && raining ? sheetTime(sheet, table).time : 0) + (shallow ? shallowTime(shallow) : 0);
}

/** Calls `give` with each target's part of `amount`, shares being weights. */
function share(amount: number, feeds: readonly Feed[], give: (to: string, part: number) => void): void {
  const total = feeds.reduce((sum, feed) => sum + feed.share, 0);
  for (const feed of feeds) give(feed.to, (amount * feed.share) / total);
}

const add = (map: Map<string, number>, id: string, amount: number): void =>
  void map.set(id, (map.get(id) ?? 0) + amount);

/** Follows all rain of a job to its landings. */
export const followWater = (shedding: Shedding, kept = new Kept()): Sources => new Following(shedding, kept).sources();

/** The following of one job's rain: every sum that it fills. */
class Following {
  private readonly shedding: Shedding;
  private readonly downspoutIds: ReadonlySet<string>;
  /** Landings, and what leads on over the ground. */
  private readonly takerIds: ReadonlySet<string>;
  /** C·Cf is C times this. */
  private readonly factor: number;
  private readonly table: IntensityTable;
  private readonly contributingAreas: ContributingArea[] = [];
  private readonly atDownspout = new Map<string, number>();
  private readonly atLanding = new Map<string, number>();
  private readonly valleys = new Map<string, Valley>();
  private readonly lost = new Map<string, number>();
  private readonly arrivals = new Map<string, Arrival[]>();
  private readonly fixed = new Map<string, number>();
  private readonly downspouts = new Map<string, DownspoutPlan>();
  /** By bed, how much of its own rain no permeable paving has been drawn for yet, m². */
  private readonly bare: Map<string, number>;

  constructor(
    shedding: Shedding,
    private readonly kept: Kept,
  ) {
    const { rain, downspouts, landings, ways } = shedding;
    this.shedding = shedding;
    this.downspoutIds = new Set(downspouts.map(({ id }) => id));
    this.takerIds = new Set([...landings, ...ways].map(({ id }) => id));
    this.factor = rain && rain.source.type !== 'typed' ? frequencyFactor(rain.source.returnPeriod) : 1;
    this.table = rainTable(rain);
    this.bare = new Map(shedding.sinking.map(({ id, area }) => [id, area]));
  }

  sources(): Sources {
    const { faces, surfaces } = this.shedding;
    for (const face of faces) this.contribute(face, gatheringArea(face), 0);
    // Drawn ground without an area has been told to inlets already, by the lie of the land.
    for (const surface of surfaces)
      if (surface.area !== undefined)
        this.contribute(surface, surface.area - this.onBeds(surface), arrivalTime(surface, this.table));
    for (const { id, area } of this.shedding.sinking) {
      this.contributingAreas.push({ id, area, coefficient: 1, effectiveArea: area, time: 0 });
      this.arrive(id, area, 0);
    }
    this.steady();
    this.downTheRoof();
    const { contributingAreas, atLanding, atDownspout, valleys, arrivals, fixed, lost, downspouts } = this;
    return { contributingAreas, atLanding, atDownspout, valleys, arrivals, fixed, lost, downspouts };
  }

  private arrive(id: string, area: number, time: number): void {
    add(this.atLanding, id, area);
    const there = this.arrivals.get(id);
    if (there) there.push({ time, area });
    else this.arrivals.set(id, [{ time, area }]);
  }

  /** How much of a surface is the paving of beds that it feeds, m²: its rain sinks into them, and is counted there. */
  private onBeds({ cover, area, feeds }: Surface): number {
    if (cover !== 'permeablePavers') return 0;
    let own = 0;
    share(area!, feeds, (to, part) => {
      const bare = this.bare.get(to) ?? 0;
      const here = Math.min(bare, part);
      if (bare > 0) this.bare.set(to, bare - here);
      own += here;
    });
    return own;
  }

  private contribute(element: RoofFace | Surface, area: number, time: number): void {
    const coefficient = runoffCoefficient(coefficientOf(element), this.factor);
    const effectiveArea = area * coefficient;
    this.contributingAreas.push({ id: element.id, area, coefficient, effectiveArea, time });
    if (element.feeds.length === 0) add(this.lost, element.id, effectiveArea);
    share(effectiveArea, element.feeds, (to, part) => {
      if (this.downspoutIds.has(to)) {
        add(this.atDownspout, to, part);
        if (element.kind === 'roofFace' && element.valley) this.downValley(to, part, element.valley.gutterRun);
      } else if (this.takerIds.has(to)) this.arrive(to, part, time);
      else add(this.lost, element.id, part);
    });
  }

  private downValley(downspout: string, part: number, gutterRun: number): void {
    const there = this.valleys.get(downspout);
    this.valleys.set(downspout, {
      area: (there?.area ?? 0) + part,
      gutterRun: Math.max(there?.gutterRun ?? 0, gutterRun),
    });
  }

  private steady(): void {
    for (const source of this.shedding.fixedFlows) {
      share(source.flow, source.feeds, (to, part) => {
        if (this.takerIds.has(to)) add(this.fixed, to, part);
      });
    }
  }

  /** Roof water that has come to a downspout, m³/s. */
  private roofWater(id: string): RoofWater {
    const rain = this.shedding.rain?.intensity ?? 0;
    const valley = this.valleys.get(id);
    const offered = (this.atDownspout.get(id) ?? 0) * rain;
    return valley ? { offered, valley: { offered: valley.area * rain, gutterRun: valley.gutterRun } } : { offered };
  }

  private planned(downspout: Downspout): DownspoutPlan {
    const plan = downspoutPlan(downspout, this.roofWater(downspout.id), this.shedding, this.kept);
    this.downspouts.set(downspout.id, plan);
    return plan;
  }

  /** C·A whose water the gutter spills, m²: counted as spilled where the user has said that it runs to an inlet. */
  private spilled(downspout: Downspout, { overshoot }: DownspoutPlan): number {
    const { rain } = this.shedding;
    const isLed = downspout.spillsTo !== undefined && this.takerIds.has(downspout.spillsTo);
    return rain && rain.intensity > 0 && isLed ? overshoot / rain.intensity : 0;
  }

  private spill({ id, spillsTo }: Downspout, area: number): void {
    if (spillsTo !== undefined && this.takerIds.has(spillsTo)) this.arrive(spillsTo, area, 0);
    else add(this.lost, id, area);
  }

  /** Every upper downspout before those it lands on; what goes round in a loop is lost. */
  private downTheRoof(): void {
    const { downspouts } = this.shedding;
    const place = placesOf(downspouts);
    const below = downspouts.map(({ landsOn = [] }) =>
      indicesIn(
        place,
        landsOn.map(({ to }) => to),
      ),
    );
    const { order, left } = upstreamFirst(downspouts.length, (index) => below[index]!);
    for (const index of order) {
      const downspout = downspouts[index]!;
      const spilled = this.spilled(downspout, this.planned(downspout));
      const carried = Math.max(0, (this.atDownspout.get(downspout.id) ?? 0) - spilled);
      if (spilled > 0) this.spill(downspout, spilled);
      if (landsOnGutter(downspout)) {
        share(carried, downspout.landsOn!, (to, part) => {
          if (this.downspoutIds.has(to)) add(this.atDownspout, to, part);
          else add(this.lost, downspout.id, part);
        });
      } else if (carried > 0) this.arrive(downspout.id, carried, 0);
    }
    for (const index of left) {
      const stuck = downspouts[index]!;
      this.planned(stuck);
      add(this.lost, stuck.id, this.atDownspout.get(stuck.id) ?? 0);
    }
  }
}
