/** Doors and window wells in a rarer rain than the one that lines are sized by: the same layout, under that rain. */
import type { InletPlan } from '../inlets';
import { keptOf, ofKind, rainOf, type Job } from '../job/job';
import type { RainElement } from '../job/kinds';
import { step } from '../numeric/kept';
import { firstToProtect } from '../openings/firstToProtect';
import { doorsIn, type DoorPlan } from '../openings/doors';
import type { InRain } from '../openings/openWater';
import { byId, type Openings } from './solution';

const rarerOf = step('rarer rain', ({ rain }: { rain: RainElement }): RainElement | null => {
  if (!rain.openings) return null;
  const { returnPeriod, intensity, table } = rain.openings;
  return {
    id: 'rain',
    kind: 'rain',
    intensity,
    ...(table ? { table } : {}),
    source: { type: 'own', place: 'openings', returnPeriod },
  };
});

/** The rain that a job's openings are checked by, as a rain of its own; null where none is said. */
export function rarerRain(job: Job): RainElement | null {
  const rain = rainOf(job);
  return rain ? keptOf(job).ask(rarerOf, { rain }) : null;
}

interface Read {
  returnPeriod: number;
  intensity: number;
  /** In that rain. */
  inlets: Readonly<Record<string, InletPlan>>;
  doors: readonly DoorPlan[];
}

const checked = step('openings', ({ returnPeriod, intensity, inlets, doors }: Read): Openings => {
  const freeboards = byId<number>();
  const spills = byId<number>();
  for (const [id, inlet] of Object.entries(inlets)) {
    if (inlet.kind === 'downspout') {
      if (inlet.overshoot > 0) spills[id] = inlet.overshoot;
    } else if (inlet.freeboard !== null) freeboards[id] = inlet.freeboard;
  }
  return { returnPeriod, intensity, freeboards, spills, doors };
});

/** Checks every opening, and the gutters over them; null when no rain is said for it, or there is nothing to protect. `inRain`: what a rain makes of the job. */
export function openingsOf(job: Job, inRain: (rain: RainElement) => InRain): Openings | null {
  const rain = rainOf(job);
  const isAsked = firstToProtect(job) !== undefined || ofKind(job, 'opening').length > 0;
  const rarer = isAsked ? rarerRain(job) : null;
  if (!rain?.openings || !rarer) return null;
  const { returnPeriod, intensity } = rain.openings;
  const made = inRain(rarer);
  return keptOf(job).ask(checked, { returnPeriod, intensity, inlets: made.inlets, doors: doorsIn(job, made) });
}
