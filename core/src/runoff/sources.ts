/** Rain to landings: every roof face and surface followed to where its water reaches a pipe, and counted once. */
import { SURFACE_FACTS } from '../catalogue/surfaces';
import { isLanding, landsOnGutter, type Downspout, type Feed, type RoofFace, type Surface } from '../job/elements';
import { ofKind, type Job } from '../job/job';
import { gatheringArea } from './roofArea';

/** What one face or surface sheds. */
export interface Shed {
  id: string;
  /** Gathering area, m². */
  area: number;
  coefficient: number;
  /** C·A, m²: the flow is this times the rain. */
  effectiveArea: number;
}

export interface Sources {
  sheds: Shed[];
  /** C·A that enters at each landing, m². */
  atLanding: ReadonlyMap<string, number>;
  /** C·A that comes down each downspout, upper ones too, m². */
  atDownspout: ReadonlyMap<string, number>;
  /** C·A by face or surface whose way is lost before any landing, m². */
  lost: ReadonlyMap<string, number>;
}

/** Runoff coefficient of a face or surface: its own, or the usual one. */
export function coefficientOf(element: RoofFace | Surface): number {
  return element.coefficient ?? SURFACE_FACTS[element.kind === 'roofFace' ? 'roof' : element.cover].usual;
}

/** Calls `give` with each target's part of `amount`, shares being weights. */
function share(amount: number, feeds: readonly Feed[], give: (to: string, part: number) => void): void {
  const total = feeds.reduce((sum, feed) => sum + feed.share, 0);
  for (const feed of feeds) give(feed.to, (amount * feed.share) / total);
}

const add = (map: Map<string, number>, id: string, amount: number): void => void map.set(id, (map.get(id) ?? 0) + amount);

/** Downspouts with every upper one before those it lands on; ones that go round in a loop are left out. */
function downTheRoof(downspouts: readonly Downspout[]): Downspout[] {
  const waiting = new Map<string, number>();
  const byId = new Map(downspouts.map((downspout) => [downspout.id, downspout]));
  for (const { landsOn = [] } of downspouts) for (const feed of landsOn) waiting.set(feed.to, (waiting.get(feed.to) ?? 0) + 1);
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
  const lost = new Map<string, number>();
  const sheds: Shed[] = [];
  const shedFrom = (element: RoofFace | Surface, area: number): void => {
    const coefficient = coefficientOf(element);
    const effectiveArea = area * coefficient;
    sheds.push({ id: element.id, area, coefficient, effectiveArea });
    if (element.feeds.length === 0) add(lost, element.id, effectiveArea);
    share(effectiveArea, element.feeds, (to, part) => {
      if (job.elements[to]?.kind === 'downspout') add(atDownspout, to, part);
      else if (isLanding(job.elements[to])) add(atLanding, to, part);
      else add(lost, element.id, part);
    });
  };
  for (const face of ofKind(job, 'roofFace')) shedFrom(face, gatheringArea(face));
  for (const surface of ofKind(job, 'surface')) shedFrom(surface, surface.area);

  const downspouts = ofKind(job, 'downspout');
  const ordered = downTheRoof(downspouts);
  for (const downspout of ordered) {
    const carried = atDownspout.get(downspout.id) ?? 0;
    if (!landsOnGutter(downspout)) add(atLanding, downspout.id, carried);
    else {
      share(carried, downspout.landsOn!, (to, part) => {
        if (job.elements[to]?.kind === 'downspout') add(atDownspout, to, part);
        else add(lost, downspout.id, part);
      });
    }
  }
  const reached = new Set(ordered);
  for (const stuck of downspouts) if (!reached.has(stuck)) add(lost, stuck.id, atDownspout.get(stuck.id) ?? 0);
  return { sheds, atLanding, atDownspout, lost };
}
