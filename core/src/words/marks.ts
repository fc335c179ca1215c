/** What stands beside a thing on the ground plan: its name, and the one figure of it that matters. */
import { SURFACE_FACTS } from '../catalogue/surfaces';
import { headOf, nameOf, type Job } from '../job/job';
import { rootReach, type Element, type ElementKind, type OfKind } from '../job/kinds';
import { wayLength } from '../site/place';
import type { Solution } from '../plan/solution';
import { planArea } from '../runoff/roofArea';
import { showArea, showFlow, showLength, showLevel, showPitch, showSmall, type Shown, type UnitSystem } from '../units';
import { workKind } from '../works';
import { levelsOf } from '../yard/levels';
import { workFacts } from './works';

interface Told {
  job: Job;
  plan: Solution;
  units: UnitSystem;
}

/** Words where there is no figure; null where the name says all. */
type Figure = Shown | string | null;

type Tell<E> = (element: E, told: Told) => Figure;

const level = (metres: number | undefined, units: UnitSystem): Figure =>
  metres === undefined ? null : showLevel(metres, units);

const landing: Tell<{ id: string; groundLevel: number }> = ({ id, groundLevel }, { plan, units }) =>
  showLevel(plan.landings[id]?.groundLevel ?? groundLevel, units);

/** The figure of a work that says most: its own choice, or the first that is told of it. */
function workFigure(element: Element, { job, plan, units }: Told): Figure {
  const { figure } = workKind(element.kind)!;
  return figure ? figure(element, units) : (workFacts(job, plan, element.id)[0]?.shown ?? null);
}

const FIGURES: { [K in ElementKind]?: Tell<OfKind<K>> } = {
  building: ({ floorLevel }, { units }) => level(floorLevel, units),
  opening: ({ sillLevel }, { units }) => level(sillLevel, units),
  roofFace: (face, { units }) => showArea(planArea(face), units),
  surface: ({ id, area, cover }, { plan, units }) => {
    const shed = plan.sources.contributingAreas.find((each) => each.id === id);
    return shed ? showArea(shed.area, units) : area === undefined ? SURFACE_FACTS[cover].label : showArea(area, units);
  },
  downspout: ({ id }, { plan, units }) => {
    const down = plan.inlets[id];
    return down ? showFlow(down.offered, units) : null;
  },
  basin: (element, told) => {
    const inlet = told.plan.inlets[element.id];
    return inlet && inlet.offered > 0 ? showFlow(inlet.offered, told.units) : landing(element, told);
  },
  channel: (element, told) => {
    const inlet = told.plan.inlets[element.id];
    return inlet && inlet.offered > 0 ? showFlow(inlet.offered, told.units) : landing(element, told);
  },
  junction: () => null,
  discharge: landing,
  fixedFlow: ({ flow }, { units }) => showFlow(flow, units),
  run: ({ id }, { plan }) => {
    const run = plan.runs[id];
    return run ? showPitch(run.pitch) : null;
  },
  spotLevel: ({ id }, { job, units }) => level(levelsOf(job).byId.get(id), units),
  wetSpot: ({ depth }, { units }) => (depth === undefined ? null : showSmall(depth, units)),
  tree: (tree, { units }) => showLength(rootReach(tree), units),
  service: ({ depth }, { units }) => (depth === undefined ? 'depth not known' : showSmall(depth, units)),
  barrier: ({ way }, { units }) => (way ? showLength(wayLength(way), units) : null),
};

export interface MarkWords {
  name: string;
  figure: Figure;
}

/** Words beside an element on the plan. */
export function markWords(job: Job, plan: Solution, element: Element): MarkWords {
  const tell = workKind(element.kind) ? workFigure : (FIGURES[element.kind] as Tell<Element> | undefined);
  return { name: nameOf(job, element.id), figure: tell?.(element, { job, plan, units: headOf(job).units }) ?? null };
}
