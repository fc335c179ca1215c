/** Every way out that a yard offers, compared: fall along the way, what lies in it, and what its place asks. */
import { OUTFALLS, scoursAt } from '../catalogue/outfalls';
import { headOf, landingsOf, ofKind, type Job, keeping } from '../job/job';
import type { Discharge } from '../job/kinds';
import { placeAlong, placeOfLanding } from '../job/places';
import { resolveSettings } from '../job/settings';
import { distanceTo, wayLength, type Place } from '../site/place';
import { crossingsOf, type Crossing } from './crossings';
import { routeAround } from './route';
import { groundOf } from './ground';
import { situated } from './situate';

export interface WayOut {
  id: string;
  route: Place[];
  length: number;
  /** From the deepest that the pipe may start to the lowest that it may end, m; less than 0 where there is none. */
  fall: number;
  /** Fall that the least pitch needs over the way, m, and what is left of it; short where less than 0. */
  needed: number;
  spare: number;
  /** The same for large smooth pipe, which may lie flatter. */
  spareLarge: number;
  pitch: number;
  /** What lies in the way. */
  obstacles: Crossing[];
  /** Ground over the way that lies too low to cover the pipe, m of it. */
  shallow: number;
  concerns: Concern[];
  /** The less, the better. */
  rank: number;
}

export type Concern =
  'consent' | 'nearBuilding' | 'holdsWater' | 'notMeasured' | 'walk' | 'freezes' | 'scours' | 'standsHigh';

/** m of pipe that is usually meant, and the pipe over which cover is asked. */
const PIPE = 0.1;

/** A yard's lowest start: of the placed inlets and downspouts, the one whose pipe starts lowest. */
function lowestStart(job: Job): { place: Place; level: number; id: string } | null {
  let best: { place: Place; level: number; id: string } | null = null;
  for (const landing of landingsOf(job)) {
    const place = placeOfLanding(landing);
    if (!place || landing.kind === 'discharge' || landing.kind === 'junction') continue;
    if (!best || landing.groundLevel < best.level) best = { place, level: landing.groundLevel, id: landing.id };
  }
  const { surface } = groundOf(job);
  if (!best)
    for (const { id, place } of ofKind(job, 'wetSpot')) {
      const level = place ? (surface?.levelAt(place) ?? null) : null;
      if (place && level !== null && (!best || level < best.level)) best = { place, level, id };
    }
  return best;
}

/** Ways out on the plan, best first, from a place or from the yard's lowest start; empty where neither is on the plan. */
export function waysOut(
  given: Job,
  from?: { place: Place; level: number; id: string },
): { from: string; ways: WayOut[] } | null {
  const job = keeping(situated(given));
  const start = from ?? lowestStart(job);
  if (!start) return null;
  const settings = resolveSettings(headOf(job).settings);
  const { surface } = groundOf(job);
  const ways = ofKind(job, 'discharge').flatMap((out): WayOut[] => {
    if (!out.place) return [];
    const route = routeAround(job, start.place, out.place);
    const length = wayLength(route);
    const control = OUTFALLS[out.form].control(out, settings);
    // At its shallowest: what is deeper costs fall.
    const fall = start.level - settings.cover - PIPE - control;
    const needed = settings.leastPitch * length;
    const obstacles = crossingsOf(job, route).filter(({ kind }) => kind !== 'breakline');
    let shallow = 0;
    const steps = Math.max(1, Math.ceil(length / 0.5));
    for (let k = 1; k < steps; k++) {
      const at = placeAlong(route, (length * k) / steps);
      const level = surface?.levelAt(at) ?? null;
      const invert = start.level - settings.cover - PIPE - (Math.max(fall, 0) * k) / steps;
      if (level !== null && level - invert - PIPE < settings.leastCover) shallow += length / steps;
    }
    const concerns = concernsOf(job, out, settings.buildingClearance, length > 0 ? fall / length : 0);
    const spare = fall - needed;
    const spareLarge = start.level - settings.cover - settings.largeFrom - control - settings.leastPitchLarge * length;
    const rank =
      (Math.max(spare, spareLarge) < 0 ? 1000 - Math.max(spare, spareLarge) * 100 : 0) +
      length +
      8 * obstacles.length +
      0.5 * shallow +
      12 * concerns.length -
      10 * Math.min(1, Math.max(0, spare));
    return [
      {
        id: out.id,
        route,
        length,
        fall,
        needed,
        spare,
        spareLarge,
        pitch: length > 0 ? fall / length : 0,
        obstacles,
        shallow,
        concerns,
        rank,
      },
    ];
  });
  return { from: start.id, ways: ways.sort((a, b) => a.rank - b.rank) };
}

/** On average so steep, a pipe comes out faster than soil stands, m/m: 4 in running half full at 3 % does 5 ft/s. */
const SCOURING = 0.03;

function concernsOf(job: Job, out: Discharge, clearance: number, pitch: number): Concern[] {
  const concerns: Concern[] = [];
  if (out.consent === 'needed' || (out.form === 'kerb' && out.consent !== 'given')) concerns.push('consent');
  const near = Math.min(
    out.buildingDistance ?? Infinity,
    ...ofKind(job, 'building').map(({ outline }) => (outline && out.place ? distanceTo(outline, out.place) : Infinity)),
  );
  if (near < clearance) concerns.push('nearBuilding');
  if (!OUTFALLS[out.form].drainsDry && !out.drain) concerns.push('holdsWater');
  if (out.assumed) concerns.push('notMeasured');
  if (OUTFALLS[out.form].freezes) concerns.push(out.form === 'kerb' ? 'walk' : 'freezes');
  if (pitch > SCOURING && scoursAt(out)) concerns.push('scours');
  if (out.standingLevel !== undefined && out.standingLevel > (out.controlLevel ?? out.groundLevel))
    concerns.push('standsHigh');
  return concerns;
}
