/** The trench of every run by its profile: what is dug, what the pipe and its bedding leave over, what lies on top. */
import { BEDDING, BETWEEN_PIPES, BUCKET, LIFT, outsideOf, SIDE_ROOM, STRIP } from '../catalogue/supply';
import { ofKind, type Job } from '../job/job';
import { isNew, type Run } from '../job/kinds';
import type { RunPlan, Solution } from '../plan/solution';
import { placeOfLanding } from '../job/places';
import { perElement } from '../numeric/perElement';
import { placeByPlace } from '../numeric/placeByPlace';
import { crossingsOfRun, MET, type Crossing } from '../yard/crossings';
import { groundOf } from '../yard/ground';
import { groundOver } from '../yard/profile';
import type { Counting } from './counting';
import { trenchVolume } from './trench';

export interface Trench {
  id: string;
  length: number;
  width: number;
  /** Deepest, with its bedding, m. */
  depth: number;
  /** m³ in the ground: dug, and what the pipe and its bedding take the place of. */
  volume: number;
  displaced: number;
  bedding: number;
  /** Lifts that its backfill is rammed in, where it is deepest. */
  lifts: number;
  /** What it meets on its way, in the order met. */
  meets: readonly Crossing[];
  /** Along it under slabs, m. */
  underSlab: number;
}

/** Width of a trench, m: its pipes and room beside them, never less than the bucket. */
export function trenchWidth({ material, nominal, parallel = 1 }: Run): number {
  const outside = outsideOf(material, nominal);
  return Math.max(BUCKET, parallel * outside + (parallel - 1) * BETWEEN_PIPES + SIDE_ROOM);
}

/** Ground over a run at stations along it (m from its head), its ends among them. */
export function groundAlong(job: Job, run: Run, plan: RunPlan): { along: number; level: number }[] {
  const levelled = groundOver(job, run);
  if (levelled.length > 0)
    return [{ along: 0, level: plan.groundUp }, ...levelled, { along: run.length, level: plan.groundDown }];
  // Straight to where it begins to come out, and from there down to its end.
  const edge = run.length - plan.comesOutOver;
  const breaks =
    plan.coverDown === null && edge > 0 && edge < run.length ? [{ along: edge, level: plan.coveredGround }] : [];
  return [{ along: 0, level: plan.groundUp }, ...breaks, { along: run.length, level: plan.groundDown }];
}

export function trenchOf(job: Job, run: Run, plan: RunPlan): Trench {
  const { id, length, parallel = 1, material, nominal } = run;
  const bedding = run.under === 'cars' ? BEDDING : 0;
  const profile = groundAlong(job, run, plan);
  const invert = (along: number): number => plan.invertUp + ((plan.invertDown - plan.invertUp) * along) / length;
  const depths = profile.map(({ along, level }) => Math.max(0, level - invert(along)) + bedding);
  const width = trenchWidth(run);
  const outside = outsideOf(material, nominal);
  const volume = trenchVolume({ stations: profile.map(({ along }) => along), depths, width, sideSlope: 0 });
  const deepest = Math.max(...depths);
  const stone = width * bedding * length;
  const meets = crossingsOfRun(job, run);
  return {
    id,
    length,
    width,
    depth: deepest,
    volume,
    displaced: Math.min(volume, stone + (parallel * length * Math.PI * outside ** 2) / 4),
    bedding: stone,
    lifts: Math.max(1, Math.ceil((deepest - outside) / LIFT - 1e-6)),
    meets,
    underSlab: meets.filter(({ kind }) => kind === 'surface').reduce((sum, { from, to }) => sum + to - from, 0),
  };
}

interface Read {
  job: Job;
  runs: readonly Run[];
  plans: Solution['runs'];
  /** What runs may meet, and the ground over them. */
  around: readonly unknown[];
}

const endsOf = ({ job }: Read, { from, to }: Run) => [
  placeOfLanding(job.elements.get(from)),
  placeOfLanding(job.elements.get(to)),
];

function readsTheSame(now: Read, before: Read, at: number): boolean {
  const run = now.runs[at]!;
  if (run !== before.runs[at]) return false;
  const [plan, planBefore] = [now.plans[run.id], before.plans[run.id]];
  if (plan !== planBefore && !(plan && planBefore && PROFILE.every((field) => plan[field] === planBefore[field])))
    return false;
  return (
    placeOfLanding(now.job.elements.get(run.from)) === placeOfLanding(before.job.elements.get(run.from)) &&
    placeOfLanding(now.job.elements.get(run.to)) === placeOfLanding(before.job.elements.get(run.to))
  );
}

/** What of a run's plan its trench rests on. */
const PROFILE = [
  'invertUp',
  'invertDown',
  'groundUp',
  'groundDown',
  'comesOutOver',
  'coveredGround',
  'coverDown',
] as const;

const worked = perElement<Run, Trench>();

const row = placeByPlace<Read, Trench | null>({
  remembered: 2,
  alike: (now, before) =>
    now.runs.length === before.runs.length && now.around.every((each, k) => each === before.around[k]),
  readsTheSame,
  make: (read, at) => {
    const run = read.runs[at]!;
    const plan = read.plans[run.id];
    if (!plan || !isNew(run)) return null;
    const profile = PROFILE.map((field) => plan[field] ?? Number.NaN);
    return worked(run, profile, () => trenchOf(read.job, run, plan), [...endsOf(read, run), ...read.around]);
  },
});

/** Trenches of all new runs that have a plan; an edit works out those that it reaches. */
export function trenchesOf(job: Job, { runs: plans }: Pick<Solution, 'runs'>): Trench[] {
  const runs = ofKind(job, 'run');
  const around = [groundOf(job).surface, ...MET.map((kind) => ofKind(job, kind))];
  return row({ job, runs, plans, around }, runs.length).filter((trench) => trench !== null);
}

export function countEarth(trenches: readonly Trench[], counting: Counting): void {
  const dug = counting.of({ type: 'dug' });
  const backfill = counting.of({ type: 'backfill' });
  const spoil = counting.of({ type: 'spoil' });
  const stone = counting.of({ type: 'stone', stone: 'bedding' });
  const turf = counting.of({ type: 'turf' });
  const saw = counting.of({ type: 'saw' });
  const slab = counting.of({ type: 'slab' });
  for (const { id, length, width, volume, displaced, bedding, underSlab } of trenches) {
    dug(id, volume);
    backfill(id, volume - displaced);
    spoil(id, displaced);
    stone(id, bedding);
    turf(id, (length - underSlab) * (width + STRIP));
    saw(id, 2 * underSlab);
    slab(id, underSlab * width);
  }
}
