/** Doors and window wells in a rarer rain than the one that lines are sized by: the same job, solved again under that rain. */
import type { Basin, Channel, RainElement } from './job/elements';
import { groundInlets, rainOf, type Job } from './job/job';
import type { InletPlan } from './inlets';

export interface Openings {
  returnPeriod: number;
  /** Of the 5-minute rain, m/s. */
  intensity: number;
  /** How far the water stays below the sill at each inlet that protects one, m; less than 0 when it stands over it. */
  freeboards: Readonly<Record<string, number>>;
}

/** The first inlet that protects an opening. */
export const firstSill = (job: Job): Basin | Channel | undefined =>
  groundInlets(job).find(({ sillLevel }) => sillLevel !== undefined);

/** The job under the rain that its openings are checked by; null when none is said. */
function underOpeningRain(job: Job): Job | null {
  const rain = rainOf(job);
  if (!rain?.openings) return null;
  const { returnPeriod, intensity, table } = rain.openings;
  const rarer: RainElement = {
    id: 'rain',
    kind: 'rain',
    intensity,
    ...(table ? { table } : {}),
    source: { type: 'own', place: 'openings', returnPeriod },
  };
  return { id: job.id, elements: { ...job.elements, rain: rarer } };
}

/** Checks every opening; null when no rain is said for it, or no inlet protects one. `inletsIn` gives the inlets of a job in its own rain. */
export function openingsOf(job: Job, inletsIn: (job: Job) => Readonly<Record<string, InletPlan>>): Openings | null {
  const rarer = firstSill(job) ? underOpeningRain(job) : null;
  if (!rarer) return null;
  const freeboards: Record<string, number> = {};
  for (const [id, inlet] of Object.entries(inletsIn(rarer)))
    if (inlet.kind !== 'downspout' && inlet.freeboard !== null) freeboards[id] = inlet.freeboard;
  const { returnPeriod, intensity } = rainOf(job)!.openings!;
  return { returnPeriod, intensity, freeboards };
}
