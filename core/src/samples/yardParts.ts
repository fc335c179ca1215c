/** Parts of the trade's situations: invented yards in feet, 6 in/h of rain, levels from a zero at the house. */
import { CUBIC_METRES_PER_SECOND_PER_GPM, METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';
import { jobFrom, type Job } from '../job/job';
import type { Basin, Channel, Discharge, Downspout, Element, RoofFace, Run, Surface } from '../job/kinds';

export interface Situation {
  job: Job;
  /** Whether a contractor would dig it as it stands. */
  holds: boolean;
  /** What has to be told of it, and what must not be. */
  told: readonly string[];
  notTold: readonly string[];
}

export const ft = (feet: number): number => feet * METRES_PER_FOOT;
export const inch = (inches: number): number => inches * METRES_PER_INCH;
export const ft2 = (area: number): number => area * METRES_PER_FOOT ** 2;
export const gpm = (flow: number): number => flow * CUBIC_METRES_PER_SECOND_PER_GPM;

export const roof = (to: string, area: number, more: Partial<RoofFace> = {}): RoofFace => ({
  id: `roof-${to}`,
  kind: 'roofFace',
  name: `Roof over ${to}`,
  storey: 1,
  shape: { type: 'area', area: ft2(area) },
  feeds: [{ to, share: 1 }],
  ...more,
});
export const spout = (id: string, level: number, more: Partial<Downspout> = {}): Downspout => ({
  id,
  kind: 'downspout',
  name: `Downspout ${id}`,
  storey: 1,
  size: 'rect3x4',
  groundLevel: ft(level),
  ...more,
});
export const lawn = (to: string, area: number, cover: Surface['cover'] = 'lawnClay'): Surface => ({
  id: `ground-${to}`,
  kind: 'surface',
  name: `Ground at ${to}`,
  cover,
  area: ft2(area),
  feeds: [{ to, share: 1 }],
});
export const basin = (id: string, level: number, more: Partial<Basin> = {}): Basin => ({
  id,
  kind: 'basin',
  name: `Basin ${id}`,
  grate: 'flat12',
  groundLevel: ft(level),
  ...more,
});
export const channel = (id: string, level: number, length: number, more: Partial<Channel> = {}): Channel => ({
  id,
  kind: 'channel',
  name: `Channel ${id}`,
  groundLevel: ft(level),
  width: inch(4),
  depth: inch(6),
  length: ft(length),
  slope: 0,
  ...more,
});
export const pipe = (from: string, to: string, length: number, size: number, more: Partial<Run> = {}): Run => ({
  id: `${from}-${to}`,
  kind: 'run',
  from,
  to,
  length: ft(length),
  material: 'smooth',
  nominal: inch(size),
  grade: { type: 'auto' },
  ...more,
});
export const swale = (level: number, more: Partial<Discharge> = {}): Discharge => ({
  id: 'out',
  kind: 'discharge',
  name: 'Roadside swale',
  form: 'daylight',
  receiving: 'swale',
  groundLevel: ft(level),
  bank: { length: ft(6), topLevel: ft(Math.max(level, -1)) },
  buildingDistance: ft(40),
  stone: true,
  ...more,
});
export const cleanout = (id: string, level: number): Element => ({
  id,
  kind: 'junction',
  form: 'cleanout',
  name: `Cleanout ${id}`,
  groundLevel: ft(level),
});

export function jobOf(id: string, name: string, ...elements: Element[]): Job {
  return jobFrom(id, [
    { id: 'job', kind: 'job', name, units: 'us', pitchStyle: 'ground' },
    {
      id: 'rain',
      kind: 'rain',
      intensity: inch(6) / 3600,
      openings: { returnPeriod: 100, intensity: inch(9) / 3600 },
      source: { type: 'typed' },
    },
    ...elements,
  ]);
}

export const sound = (job: Job, notTold: readonly string[] = []): Situation => ({
  job,
  holds: true,
  told: [],
  notTold,
});
export const told = (job: Job, ...codes: string[]): Situation => ({ job, holds: false, told: codes, notTold: [] });
