/** Rain to landings: every roof face and surface followed to where its water reaches a pipe, and counted once. */
import { SURFACE_FACTS } from '../catalogue/surfaces';
import { settled } from '../defaults';
import { downspoutPlan, type RoofWater } from '../inlets';
import { isLanding, landsOnGutter, type Downspout, type Feed, type RoofFace, type Surface } from '../job/elements';
import { headOf, ofKind, rainOf, type Job } from '../job/job';
import type { IntensityTable } from '../rain/intensity';
import { sheetTime, shallowTime } from './concentration';
import { frequencyFactor, runoffCoefficient } from './rational';
import { gatheringArea } from './roofArea';

/** What one face or surface sheds. */
export interface Shed {
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
  sheds: Shed[];
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
}

/** Roof water that comes to a downspout in a rain (m/s). */
export function roofWater(
  { atDownspout, valleys }: Pick<Sources, 'atDownspout' | 'valleys'>,
  id: string,
  rain: number,
): RoofWater {
  const valley = valleys.get(id);
  const offered = (atDownspout.get(id) ?? 0) * rain;
  return valley ? { offered, valley: { offered: valley.area * rain, gutterRun: valley.gutterRun } } : { offered };
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

/** Downspouts with every upper one before those it lands on; ones that go round in a loop are left out. */
function downTheRoof(downspouts: readonly Downspout[]): Downspout[] {
  const waiting = new Map<string, number>();
  const byId = new Map(downspouts.map((downspout) => [downspout.id, downspout]));
  for (const { landsOn = [] } of downspouts)
    for (const feed of landsOn) waiting.set(feed.to, (waiting.get(feed.to) ?? 0) + 1);
  const ordered = downspouts.filter((downspout) => !waiting.get(downspout.id));
  for (let at = 0; at < ordered.length; at++) {
    for (const feed of ordered[at]!.landsOn ?? []) {
      const left = waiting.get(feed.to)! - 1;
      waiting.set(feed.to, left);
      const next = byId.get(feed.to);
      if (left === 0 && next) ordered.push(next);
    }
  }
  return ordered;
}

/** Follows all rain of a job to its landings. */
export function followWater(job: Job): Sources {
  const atDownspout = new Map<string, number>();
  const atLanding = new Map<string, number>();
  const valleys = new Map<string, Valley>();
  const lost = new Map<string, number>();
  const sheds: Shed[] = [];
  const arrivals = new Map<string, Arrival[]>();
  const fixed = new Map<string, number>();
  const rain = rainOf(job);
  const factor = rain && rain.source.type !== 'typed' ? frequencyFactor(rain.source.returnPeriod) : 1;
  const arrive = (id: string, area: number, time: number): void => {
    add(atLanding, id, area);
    const there = arrivals.get(id);
    if (there) there.push({ time, area });
    else arrivals.set(id, [{ time, area }]);
  };
  const shedFrom = (element: RoofFace | Surface, area: number): void => {
    const coefficient = runoffCoefficient(coefficientOf(element), factor);
    const effectiveArea = area * coefficient;
    const time =
      element.kind === 'surface'
        ? arrivalTime(element, rain?.table ?? { durations: [0], intensities: [rain?.intensity ?? 0] })
        : 0;
    sheds.push({ id: element.id, area, coefficient, effectiveArea, time });
    if (element.feeds.length === 0) add(lost, element.id, effectiveArea);
    share(effectiveArea, element.feeds, (to, part) => {
      if (job.elements[to]?.kind === 'downspout') {
        add(atDownspout, to, part);
        if (element.kind === 'roofFace' && element.valley) {
          const there = valleys.get(to);
          valleys.set(to, {
            area: (there?.area ?? 0) + part,
            gutterRun: Math.max(there?.gutterRun ?? 0, element.valley.gutterRun),
          });
        }
      } else if (isLanding(job.elements[to])) arrive(to, part, time);
      else add(lost, element.id, part);
    });
  };
  for (const face of ofKind(job, 'roofFace')) shedFrom(face, gatheringArea(face));
  for (const surface of ofKind(job, 'surface')) shedFrom(surface, surface.area);

  for (const source of ofKind(job, 'fixedFlow')) {
    share(source.flow, source.feeds, (to, part) => {
      if (isLanding(job.elements[to])) add(fixed, to, part);
    });
  }
  const settings = settled(headOf(job).settings);
  /** C·A whose water the gutter spills where the user has said that it runs to an inlet, m². */
  const spill = (downspout: Downspout): number => {
    if (!rain || downspout.spillsTo === undefined || !isLanding(job.elements[downspout.spillsTo])) return 0;
    return (
      downspoutPlan(downspout, roofWater({ atDownspout, valleys }, downspout.id, rain.intensity), settings).overshoot /
      rain.intensity
    );
  };
  const downspouts = ofKind(job, 'downspout');
  const ordered = downTheRoof(downspouts);
  for (const downspout of ordered) {
    const spilled = spill(downspout);
    const carried = Math.max(0, (atDownspout.get(downspout.id) ?? 0) - spilled);
    if (spilled > 0) arrive(downspout.spillsTo!, spilled, 0);
    if (landsOnGutter(downspout)) {
      share(carried, downspout.landsOn!, (to, part) => {
        if (job.elements[to]?.kind === 'downspout') add(atDownspout, to, part);
        else add(lost, downspout.id, part);
      });
    } else if (carried > 0) arrive(downspout.id, carried, 0);
  }
  const reached = new Set(ordered);
  for (const stuck of downspouts) if (!reached.has(stuck)) add(lost, stuck.id, atDownspout.get(stuck.id) ?? 0);
  return { sheds, atLanding, atDownspout, valleys, arrivals, fixed, lost };
}
