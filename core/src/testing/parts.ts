/** Short ways to write a job in a test: metric, in round figures. */
import type {
  Basin,
  Building,
  Channel,
  Discharge,
  Downspout,
  Element,
  JobElement,
  Junction,
  RainElement,
  RoofFace,
  Run,
  Surface,
} from '../job/kinds';
import { changed, put } from '../job/change';
import { jobFrom, type Job } from '../job/job';
import type { Plan } from '../verdict/planJob';

/** 4e-5 m/s is 144 mm/h; 100 m² of it at C = 1 give 4 L/s. */
export const rain = (more: Partial<RainElement> = {}): RainElement => ({
  id: 'rain',
  kind: 'rain',
  intensity: 4e-5,
  source: { type: 'typed' },
  ...more,
});
const head: JobElement = { id: 'job', kind: 'job', name: 'Test', units: 'metric', pitchStyle: 'ground' };
export const ground = (area: number, to: string, more: Partial<Surface> = {}): Surface => ({
  id: `ground-${to}`,
  kind: 'surface',
  name: 'Paving',
  cover: 'paving',
  coefficient: 1,
  area,
  feeds: [{ to, share: 1 }],
  ...more,
});
export const face = (area: number, to: string, more: Partial<RoofFace> = {}): RoofFace => ({
  id: `face-${to}`,
  kind: 'roofFace',
  name: 'Roof',
  storey: 1,
  shape: { type: 'area', area },
  coefficient: 1,
  feeds: [{ to, share: 1 }],
  ...more,
});
export const spout = (more: Partial<Downspout> = {}): Downspout => ({
  id: 'spout',
  kind: 'downspout',
  name: 'Downspout',
  storey: 1,
  size: 'rect3x4',
  groundLevel: 0,
  ...more,
});
export const basin = (more: Partial<Basin> = {}): Basin => ({
  id: 'basin',
  kind: 'basin',
  name: 'Basin',
  grate: 'flat12',
  groundLevel: 0,
  ...more,
});
export const channel = (more: Partial<Channel> = {}): Channel => ({
  id: 'channel',
  kind: 'channel',
  name: 'Channel',
  groundLevel: 0,
  width: 0.1,
  depth: 0.1,
  length: 10,
  slope: 0,
  ...more,
});
/** The ground is near level until the swale's bank, so that a pipe is covered until then. */
export const out = (more: Partial<Discharge> = {}): Discharge => ({
  id: 'out',
  kind: 'discharge',
  name: 'Swale',
  form: 'daylight',
  receiving: 'swale',
  groundLevel: -1.5,
  bank: { length: 3, topLevel: Math.max(more.groundLevel ?? -1.5, -0.3) },
  buildingDistance: 20,
  ...more,
});
export const pipe = (from: string, more: Partial<Run> = {}): Run => ({
  id: `pipe-${from}`,
  kind: 'run',
  from,
  to: 'out',
  length: 20,
  material: 'smooth',
  nominal: 0.1524,
  grade: { type: 'auto' },
  ...more,
});
export const node = (form: Junction['form'], more: Partial<Junction> = {}): Junction => ({
  id: 'node',
  kind: 'junction',
  form,
  name: 'Node',
  groundLevel: 0,
  ...more,
});
/** 10 by 8 m, its south-west corner at the origin. */
export const house: Building = {
  id: 'house',
  kind: 'building',
  name: 'House',
  outline: [
    { east: 0, north: 0 },
    { east: 10, north: 0 },
    { east: 10, north: 8 },
    { east: 0, north: 8 },
  ],
};
export const jobOf = (...elements: Element[]): Job =>
  jobFrom('test', [head, ...(elements.some(({ kind }) => kind === 'rain') ? [] : [rain()]), ...elements]);
/** A job's elements in the order of their ids: what was taken out and put back stands at the end, and is there all the same. */
export const inOrderOfIds = (job: Job): Element[] => [...job.elements].sort((a, b) => (a.id < b.id ? -1 : 1));
/** A job with some elements put in, or in the place of its own. */
export const withElements = (job: Job, ...elements: Element[]): Job => changed(job, put('With', ...elements));
/** A job with some fields of one element changed. */
export const withFields = (job: Job, id: string, by: object): Job =>
  withElements(job, { ...job.elements.get(id)!, ...by } as Element);
export const codes = (plan: Plan): string[] => plan.snags.map((snag) => snag.code);
