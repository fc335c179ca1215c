/**
 * The site as GeoJSON: every element a feature, with all its fields in `element`, so that it comes back without loss. Coordinates are
 * metres east and north of the job's origin, which `coordinates` says; a plan knows no degrees.
 */
import { z } from 'zod';
import { freshId } from '../job/ids';
import type { Change } from '../job/change';
import { issueSentence } from '../job/faults';
import { type Fault } from '../job/findings';
import { nameOf, type Job } from '../job/job';
import { elementSchema, kindOf, type Element } from '../job/kinds';
import { placesOf } from '../job/places';
import type { Place } from '../site/place';

type Position = [number, number];

export interface Feature {
  type: 'Feature';
  id: string;
  geometry:
    | { type: 'Point'; coordinates: Position }
    | { type: 'LineString'; coordinates: Position[] }
    | { type: 'Polygon'; coordinates: Position[][] }
    | null;
  properties: { name: string; kind: string; element: Element };
}

export interface Collection {
  type: 'FeatureCollection';
  katabasis: { coordinates: 'metres east, north' };
  features: Feature[];
}

const positionOf = ({ east, north }: Place): Position => [east, north];

function geometryOf(element: Element): Feature['geometry'] {
  const places = placesOf(element).map(positionOf);
  if (places.length === 0) return null;
  const { shape } = kindOf(element.kind);
  if (shape === 'place') return { type: 'Point', coordinates: places[0]! };
  if (shape === 'way') return { type: 'LineString', coordinates: places };
  return { type: 'Polygon', coordinates: [[...places, places[0]!]] };
}

/** All of a job but its head and its rain. */
export function toGeoJson(job: Job): Collection {
  return {
    type: 'FeatureCollection',
    katabasis: { coordinates: 'metres east, north' },
    features: job.elements.all
      .filter(({ kind }) => kind !== 'job' && kind !== 'rain')
      .map((element) => ({
        type: 'Feature',
        id: element.id,
        geometry: geometryOf(element),
        properties: { name: nameOf(job, element.id), kind: element.kind, element },
      })),
  };
}

const position = z.array(z.number()).min(2);
const foreign = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Point'), coordinates: position }),
  z.object({ type: z.literal('LineString'), coordinates: z.array(position).min(2) }),
  z.object({ type: z.literal('Polygon'), coordinates: z.array(z.array(position).min(4)).min(1) }),
]);
const featureSchema = z.object({
  type: z.literal('Feature'),
  geometry: z.unknown(),
  properties: z.record(z.string(), z.unknown()).nullish(),
});

export type ReadGeoJson =
  { ok: true; change: Change; put: number; replaced: number; refused: Fault[] } | { ok: false; sentence: string };

const MOST_FEATURES = 20_000;
/** Corners of one way or outline: a wall drawn by hand has a few dozen, one traced by a machine some hundreds. */
const MOST_CORNERS = 2_000;
/** Arrays within arrays of a polygon's coordinates, and some to spare. */
const DEEPEST = 5;

const counted = (count: number): string => count.toLocaleString('en-US');
/** A word or a number as it is written; of anything else nothing. */
const written = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/** Reads a parsed GeoJSON into a change of a job: what is of this product as it was, what is foreign by its shape. Never throws. */
export function readGeoJson(job: Job, raw: unknown): ReadGeoJson {
  const no = (sentence: string): ReadGeoJson => ({ ok: false, sentence });
  if (typeof raw !== 'object' || raw === null || (raw as { type?: unknown }).type !== 'FeatureCollection')
    return no('This is no GeoJSON collection of features.');
  const { features, katabasis } = raw as { features?: unknown; katabasis?: unknown };
  if (!Array.isArray(features)) return no('Its features are missing.');
  if (features.length > MOST_FEATURES)
    return no(`It holds ${counted(features.length)} features; at most ${counted(MOST_FEATURES)} are read.`);
  if (katabasis === undefined && inDegrees(features))
    return no(
      'Its coordinates are degrees of latitude and longitude. Save it in metres, or feet turned to metres, about a corner of the yard.',
    );
  const refused: Fault[] = [];
  const read = new Map<string, Element>();
  features.forEach((feature, k) => {
    const is = elementOf(feature);
    if ('sentence' in is) refused.push({ path: `feature ${k + 1}`, sentence: is.sentence });
    else if (read.has(is.element.id))
      refused.push({ path: `feature ${k + 1}`, sentence: 'has an id that another has' });
    else read.set(is.element.id, is.element);
  });
  const puts = [...read.values()];
  const replaced = puts.filter(({ id }) => job.elements.has(id)).length;
  return {
    ok: true,
    change: { label: 'Bring in a GeoJSON', puts, removes: [] },
    put: puts.length - replaced,
    replaced,
    refused,
  };
}

function elementOf(raw: unknown): { element: Element } | { sentence: string } {
  const feature = featureSchema.safeParse(raw);
  if (!feature.success) return { sentence: 'is no feature' };
  const { properties, geometry } = feature.data;
  if (properties && 'element' in properties) {
    const own = elementSchema.safeParse(properties.element, { reportInput: true });
    if (own.success && own.data.kind !== 'job' && own.data.kind !== 'rain') return { element: own.data };
    return {
      sentence: own.success
        ? 'is the head of another job'
        : `${own.error.issues[0]!.path.join('.') || 'it'} ${issueSentence(own.error.issues[0]!)}`,
    };
  }
  const corners = cornersIn((geometry as { coordinates?: unknown } | null)?.coordinates);
  if (corners === null) return { sentence: 'has a geometry that is no point, line or polygon' };
  if (corners.length > MOST_CORNERS)
    return { sentence: `has ${counted(corners.length)} corners; at most ${counted(MOST_CORNERS)} are read` };
  const shape = foreign.safeParse(geometry);
  if (!shape.success) return { sentence: 'has a geometry that is no point, line or polygon' };
  const numbers =
    shape.data.type === 'Point'
      ? [shape.data.coordinates]
      : shape.data.type === 'LineString'
        ? shape.data.coordinates
        : shape.data.coordinates[0]!;
  if (numbers.some((each) => each.some((value) => !Number.isFinite(value) || Math.abs(value) > 100_000)))
    return { sentence: 'lies further off than any yard reaches' };
  const places = numbers.map(([east, north]) => ({ east: east!, north: north! }));
  const name = written(properties?.name ?? properties?.Name).slice(0, 120);
  if (shape.data.type === 'Point') {
    const told = properties?.level ?? properties?.elevation ?? shape.data.coordinates[2];
    const level = written(told).trim() === '' ? NaN : Number(told);
    return {
      element: {
        id: freshId('level'),
        kind: 'spotLevel',
        name: name || 'Level',
        place: places[0]!,
        ...(Number.isFinite(level) ? { level } : {}),
      },
    };
  }
  if (shape.data.type === 'LineString')
    return { element: { id: freshId('edge'), kind: 'barrier', name: name || 'Fence', form: 'fence', way: places } };
  return {
    element: { id: freshId('house'), kind: 'building', name: name || 'Building', outline: places.slice(0, -1) },
  };
}

/** Corners of coordinates, however deep they lie; null where they lie deeper than any geometry's. */
function cornersIn(coordinates: unknown): number[][] | null {
  const flat: number[][] = [];
  const gather = (value: unknown, depth: number): boolean => {
    if (!Array.isArray(value)) return true;
    if (typeof value[0] === 'number') flat.push(value as number[]);
    else return depth < DEEPEST && value.every((each) => gather(each, depth + 1));
    return true;
  };
  return gather(coordinates, 0) ? flat : null;
}

/** Whether plain coordinates are of the globe: all within its degrees, and a yard's width of them a few hundredths. */
function inDegrees(features: readonly unknown[]): boolean {
  const low = [Infinity, Infinity];
  const high = [-Infinity, -Infinity];
  let count = 0;
  for (const feature of features)
    for (const corner of cornersIn(
      (feature as { geometry?: { coordinates?: unknown } } | null)?.geometry?.coordinates,
    ) ?? []) {
      count++;
      for (const k of [0, 1]) {
        low[k] = Math.min(low[k]!, corner[k]!);
        high[k] = Math.max(high[k]!, corner[k]!);
      }
    }
  // One point alone could be either; nobody's yard is a hand wide.
  if (count < 2) return false;
  const spread = Math.max(high[0]! - low[0]!, high[1]! - low[1]!);
  return spread < 0.1 && low[0]! >= -180 && high[0]! <= 180 && low[1]! >= -90 && high[1]! <= 90;
}
