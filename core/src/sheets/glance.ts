/** A job at a glance, for a list of jobs: a sketch of it, what it costs, how long it takes and what is still to be asked. */
import { needsOf } from '../clearances/needs';
import { standings } from '../clearances/standing';
import { scheduleOf } from '../days/schedule';
import { stepsOf } from '../days/steps';
import { headOf, ofKind, type Job } from '../job/job';
import { wayOfRun } from '../job/places';
import type { Solution } from '../plan/solution';
import { priceOf } from '../price/price';
import { money } from '../price/words';
import { takeOff } from '../quantities/takeOff';
import { extentOf, type Place } from '../site/place';

/** Lines to be drawn, as the data of SVG paths in a box so wide and high: the larger side is 100. */
export interface Sketch {
  width: number;
  height: number;
  /** Houses; on a job without a plan none. */
  houses: string;
  /** Open ways, drains and fields; on a job without a plan the ground over its pipes. */
  ground: string;
  pipes: string;
  /** Where water leaves: dots, as strokes of no length. */
  outs: string;
}

export interface Glance {
  sketch?: Sketch | undefined;
  /** In the words of its currency. */
  price: string;
  /** Days of work, and the first of them where one is set. */
  days: number;
  starts?: string | undefined;
  /** Clearances that are not asked for yet. */
  asks: number;
}

const SIDE = 100;
/** A job without a plan is drawn so high. */
const LOW = 40;

type Point = readonly [x: number, y: number];
type Lines = readonly (readonly Point[])[];

const at = ([x, y]: Point): string => `${Math.round(x * 10) / 10} ${Math.round(y * 10) / 10}`;
/** The data of an SVG path through some lines. */
export const pathOf = (lines: Lines, end = ''): string =>
  lines.flatMap((line) => (line.length > 0 ? [`M${line.map(at).join('L')}${end}`] : [])).join('');

/** The plan to scale, north up, and where a place lies in it; null of a job that lies on none. */
export function planSketch(job: Job): { sketch: Sketch; toSketch: (place: Place) => Point } | null {
  const pipes = ofKind(job, 'run').flatMap((run) => {
    const way = wayOfRun(job, run);
    return way ? [way] : [];
  });
  const houses = ofKind(job, 'building').flatMap(({ outline }) => (outline ? [outline] : []));
  const ground = (['swale', 'culvert', 'drain', 'stoneDrain', 'channel'] as const).flatMap((kind) =>
    ofKind(job, kind).flatMap(({ way }) => (way ? [way] : [])),
  );
  const fields = (['drainField', 'pavedBed'] as const).flatMap((kind) =>
    ofKind(job, kind).flatMap(({ outline }) => (outline ? [outline] : [])),
  );
  const outs = ofKind(job, 'discharge').flatMap(({ place }) => (place ? [[place]] : []));
  const box = extentOf([...pipes, ...houses, ...ground, ...fields, ...outs].flat());
  if (!box || pipes.length + houses.length + ground.length + fields.length === 0) return null;
  const [wide, high] = [box.east - box.west, box.north - box.south];
  const scale = SIDE / Math.max(wide, high, 1e-6);
  const toSketch = ({ east, north }: Place): Point => [(east - box.west) * scale, (box.north - north) * scale];
  const onPaper = (ways: readonly (readonly Place[])[]): Lines => ways.map((way) => way.map(toSketch));
  const sketch = {
    width: Math.max(1, wide * scale),
    height: Math.max(1, high * scale),
    houses: pathOf(onPaper(houses), 'Z'),
    ground: pathOf(onPaper(ground)) + pathOf(onPaper(fields), 'Z'),
    pipes: pathOf(onPaper(pipes)),
    outs: pathOf(onPaper(outs), 'h0'),
  };
  return { sketch, toSketch };
}

/** How far each landing is from where its water leaves, m of pipe. */
function distances({ runs }: Pick<Solution, 'runs'>): Map<string, number> {
  const below = new Map(Object.values(runs).map((run) => [run.from, run]));
  const far = new Map<string, number>();
  for (const { from } of Object.values(runs)) {
    const way: string[] = [];
    let id = from;
    for (let run = below.get(id); run && !far.has(id) && !way.includes(id); run = below.get(id)) {
      way.push(id);
      id = run.to;
    }
    let gone = far.get(id) ?? 0;
    far.set(id, gone);
    for (const each of way.reverse()) far.set(each, (gone += below.get(each)!.length));
  }
  return far;
}

/** Its lines from the side, falling to the right; null without any. */
function fallSketch(plan: Pick<Solution, 'runs'>): Sketch | null {
  const runs = Object.values(plan.runs);
  if (runs.length === 0) return null;
  const far = distances(plan);
  const longest = Math.max(...far.values(), 1e-6);
  const levels = runs.flatMap(({ invertUp, invertDown, groundUp, groundDown }) => [
    invertUp,
    invertDown,
    groundUp,
    groundDown,
  ]);
  const top = Math.max(...levels);
  const high = Math.max(top - Math.min(...levels), 1e-6);
  const point = (id: string, level: number): Point => [
    SIDE * (1 - (far.get(id) ?? 0) / longest),
    (LOW * (top - level)) / high,
  ];
  const last = runs.filter(({ to }) => !runs.some(({ from }) => from === to));
  return {
    width: SIDE,
    height: LOW,
    houses: '',
    ground: pathOf(runs.map(({ from, to, groundUp, groundDown }) => [point(from, groundUp), point(to, groundDown)])),
    pipes: pathOf(runs.map(({ from, to, invertUp, invertDown }) => [point(from, invertUp), point(to, invertDown)])),
    outs: pathOf(
      last.map(({ to, invertDown }) => [point(to, invertDown)]),
      'h0',
    ),
  };
}

/** So many runs are sketched: of more nothing could be seen. */
const MOST = 400;

export const sketchOf = (job: Job, plan: Pick<Solution, 'runs'>): Sketch | null =>
  ofKind(job, 'run').length > MOST ? null : (planSketch(job)?.sketch ?? fallSketch(plan));

/** `today`: as 2026-12-01, from which its days are laid out where none is set. */
export function glanceOf(job: Job, plan: Solution, today: string): Glance {
  const taken = takeOff(job, plan);
  const { price, currency } = priceOf(job, taken);
  const stands = standings(job, needsOf(job, taken), today);
  const steps = stepsOf(
    job,
    taken,
    stands.some(({ need }) => need.kind === 'inspection'),
  );
  const { steps: laid } = scheduleOf(job, steps, stands, [], today);
  const { startsOn } = headOf(job);
  return {
    sketch: sketchOf(job, plan) ?? undefined,
    price: money(price, currency).replace(/[.,]00$/, ''),
    days: new Set(laid.flatMap(({ days }) => days.map(({ day }) => day))).size,
    starts: startsOn,
    asks: stands.filter(({ clearance }) => clearance === null).length,
  };
}
