/** The plan as strokes, marks and words on named layers, in metres: for paper, for drawing files, for any sink. */
import { headOf, nameOf, type Job } from '../job/job';
import { KIND_LIST, kindOf, rootReach, type Element, type ElementKind } from '../job/kinds';
import { placesOf, wayOfOpening, wayOfRun } from '../job/places';
import { centreOf, extentOf, middleOf, type Extent, type Place } from '../site/place';
import { showLevel, showNominal, text } from '../units';
import type { Plan } from '../verdict/planJob';
import { workKind, type WorkElementKind } from '../works';
import { levelsOf } from '../yard/levels';
import { groundPicture } from '../yard/picture';

/** Layers, lowest first, and what each is called in a legend. */
export const LAYERS = {
  contours: 'Contours',
  surfaces: 'Hard and soft ground',
  buildings: 'Building',
  roofs: 'Roof face',
  openings: 'Door or window well',
  barriers: 'Wall, fence or boundary',
  trees: 'Tree with its roots',
  services: 'Buried service',
  works: 'Swale, drain, berm or bed',
  pipes: 'Pipe',
  inlets: 'Inlet or landing',
  discharges: 'Way out',
  levels: 'Spot level',
  words: 'Words',
} as const;
export type LayerName = keyof typeof LAYERS;

/** Where each kind is drawn; null of what is not. Works say so themselves. */
const LAYER_OF: Record<Exclude<ElementKind, WorkElementKind>, LayerName | null> = {
  job: null,
  rain: null,
  surface: 'surfaces',
  building: 'buildings',
  roofFace: 'roofs',
  opening: 'openings',
  barrier: 'barriers',
  breakline: 'barriers',
  tree: 'trees',
  service: 'services',
  run: 'pipes',
  channel: 'inlets',
  basin: 'inlets',
  downspout: 'inlets',
  fixedFlow: 'inlets',
  junction: 'inlets',
  discharge: 'discharges',
  spotLevel: 'levels',
  levelBook: null,
  wetSpot: null,
  soilTest: null,
  underlay: null,
  photo: null,
  clearance: null,
  note: null,
  step: null,
  variant: null,
  keeping: null,
  visit: null,
  complaint: null,
  outcome: null,
};

const layerOf = (kind: ElementKind): LayerName | null =>
  workKind(kind)?.layer ?? LAYER_OF[kind as keyof typeof LAYER_OF];

export type Stroke = { layer: LayerName; element: Element | null } & (
  | { shape: 'way' | 'outline'; places: readonly Place[]; level?: number; guessed?: true }
  | { shape: 'mark'; at: Place; radius: number }
);

export interface Drawing {
  strokes: readonly Stroke[];
  /** Words beside things, each at a place, and what they are of. */
  words: readonly { at: Place; said: string; layer: LayerName; of: Stroke }[];
  extent: Extent | null;
  /** How far north lies to the right of up, rad. */
  north: number;
}

/** Radius of a mark, m. */
const MARK = 0.18;

function placesHere(job: Job, element: Element): readonly Place[] {
  if (element.kind === 'run') return wayOfRun(job, element) ?? [];
  if (element.kind === 'opening') return wayOfOpening(job, element) ?? [];
  return placesOf(element);
}

function strokeOf(element: Element, layer: LayerName, places: readonly Place[]): Stroke {
  const shape = element.kind === 'run' || element.kind === 'opening' ? 'way' : kindOf(element.kind).shape;
  if (shape === 'way' || shape === 'outline') return { layer, element, shape, places };
  const radius = element.kind === 'tree' ? rootReach(element) : element.kind === 'spotLevel' ? MARK / 3 : MARK;
  return { layer, element, shape: 'mark', at: places[0]!, radius };
}

function wordsOf(job: Job, element: Element, plan: Plan): string | null {
  const { units } = headOf(job);
  if (element.kind === 'spotLevel') {
    const level = levelsOf(job).byId.get(element.id);
    return level === undefined ? null : text(showLevel(level, units));
  }
  if (element.kind === 'run') {
    const run = plan.runs[element.id];
    return run ? text(showNominal(run.nominal, units)) : null;
  }
  return element.kind === 'roofFace' || element.kind === 'breakline' ? null : nameOf(job, element.id);
}

/** A job's plan as a drawing, with its contours or without; no strokes while nothing has a place. */
export function drawingOf(job: Job, plan: Plan, contours = true): Drawing {
  const order = Object.keys(LAYERS);
  const strokes: Stroke[] = [];
  const words: Drawing['words'][number][] = [];
  for (const { level, ways, guessed } of (contours ? groundPicture(job, null)?.contours : null) ?? []) {
    const contour = { layer: 'contours', element: null, shape: 'way', level } as const;
    for (const places of ways) strokes.push({ ...contour, places });
    for (const places of guessed) strokes.push({ ...contour, places, guessed: true });
  }
  for (const { schema } of KIND_LIST) {
    const kind = (schema.shape.kind as unknown as { value: ElementKind }).value;
    const layer = layerOf(kind);
    if (!layer) continue;
    for (const element of job.elements.ofKind(kind)) {
      const places = placesHere(job, element);
      if (places.length === 0) continue;
      const stroke = strokeOf(element, layer, places);
      strokes.push(stroke);
      const said = wordsOf(job, element, plan);
      const at = stroke.shape === 'mark' ? stroke.at : stroke.shape === 'way' ? middleOf(places) : centreOf(places);
      if (said !== null) words.push({ at, said, layer, of: stroke });
    }
  }
  strokes.sort((a, b) => order.indexOf(a.layer) - order.indexOf(b.layer));
  const corners = strokes.flatMap((stroke) =>
    stroke.layer === 'contours' ? [] : stroke.shape === 'mark' ? [stroke.at] : stroke.places,
  );
  return { strokes, words, extent: extentOf(corners), north: headOf(job).north ?? 0 };
}
