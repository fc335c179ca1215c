/** Doors and window wells in a rarer rain than the one that lines are sized by: the same layout, under that rain. */
import { firstSill, type InletPlan } from '../inlets';
import { rainOf, type Job } from '../job/job';
import type { RainElement } from '../job/kinds';
import { byId, type Openings } from './solution';

const rarerRains = new WeakMap<RainElement, RainElement>();

/** The rain that a job's openings are checked by, as a rain of its own: the same object for as long as the design rain is. */
export function rarerRain(rain: RainElement): RainElement | null {
  if (!rain.openings) return null;
  const { returnPeriod, intensity, table } = rain.openings;
  const rarer: RainElement = rarerRains.get(rain) ?? {
    id: 'rain',
    kind: 'rain',
    intensity,
    ...(table ? { table } : {}),
    source: { type: 'own', place: 'openings', returnPeriod },
  };
  rarerRains.set(rain, rarer);
  return rarer;
}

/** Checks every opening, and the gutters over them; null when no rain is said for it, or no inlet protects one. `inletsIn` gives the job's inlets in a rain. */
export function openingsOf(
  job: Job,
  inletsIn: (rain: RainElement) => Readonly<Record<string, InletPlan>>,
): Openings | null {
  const rain = rainOf(job);
  const rarer = rain && firstSill(job) ? rarerRain(rain) : null;
  if (!rain?.openings || !rarer) return null;
  const freeboards = byId<number>();
  const spills = byId<number>();
  for (const [id, inlet] of Object.entries(inletsIn(rarer))) {
    if (inlet.kind === 'downspout') {
      if (inlet.overshoot > 0) spills[id] = inlet.overshoot;
    } else if (inlet.freeboard !== null) freeboards[id] = inlet.freeboard;
  }
  return { returnPeriod: rain.openings.returnPeriod, intensity: rain.openings.intensity, freeboards, spills };
}
