/** The trench of every run by its profile: what is dug, what the pipe and its bedding leave over, what lies on top. */
import { BEDDING, BETWEEN_PIPES, BUCKET, LIFT, outsideOf, SIDE_ROOM, STRIP } from '../catalogue/supply';
import type { Surface as GroundSurface } from '../ground/surface';
import { ofKind, type Job } from '../job/job';
import { isNew, type Run } from '../job/kinds';
import { PAVED } from '../job/kinds/run';
import { placeOfLanding } from '../job/places';
import { step, type Kept } from '../numeric/kept';
import type { RunPlan, Solution } from '../plan/solution';
import type { Place } from '../site/place';
import { aroundOf, crossingsAmong, type Around, type Crossing } from '../yard/crossings';
import { groundOf } from '../yard/ground';
import { groundOver, stationsOver, type GroundStation } from '../yard/profile';
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
  /** Along it under turf, driven through, and where no machine reaches it, m. */
  turf: number;
  bored: number;
  byHand: number;
  /** Run in whose trench it lies; null where it has its own. */
  beside: string | null;
}

/** Width of a trench, m: its pipes and room beside them, never less than the bucket. */
export function trenchWidth({ material, nominal, parallel = 1 }: Run): number {
  const outside = outsideOf(material, nominal);
  return Math.max(BUCKET, parallel * outside + (parallel - 1) * BETWEEN_PIPES + SIDE_ROOM);
}

/** By how much a run widens the trench of another that it lies in, m. */
const widened = ({ material, nominal, parallel = 1 }: Run): number =>
  parallel * (outsideOf(material, nominal) + BETWEEN_PIPES);

/** What of a run's plan its trench rests on. */
type Profile = Pick<
  RunPlan,
  'invertUp' | 'invertDown' | 'groundUp' | 'groundDown' | 'comesOutOver' | 'coveredGround' | 'coverDown'
>;

/** Ground over a run at stations along it (m from its head), its ends among them; `levelled`: between them, where it was. */
function withEnds(
  levelled: readonly GroundStation[],
  run: Run,
  plan: Omit<Profile, 'invertUp' | 'invertDown'>,
): GroundStation[] {
  if (levelled.length > 0)
    return [{ along: 0, level: plan.groundUp }, ...levelled, { along: run.length, level: plan.groundDown }];
  // Straight to where it begins to come out, and from there down to its end.
  const edge = run.length - plan.comesOutOver;
  const breaks =
    plan.coverDown === null && edge > 0 && edge < run.length ? [{ along: edge, level: plan.coveredGround }] : [];
  return [{ along: 0, level: plan.groundUp }, ...breaks, { along: run.length, level: plan.groundDown }];
}

export const groundAlong = (job: Job, run: Run, plan: RunPlan): GroundStation[] =>
  withEnds(groundOver(job, run), run, plan);

function trenchOf({ run, from, to, surface, around, ...plan }: Read): Trench {
  const { id, length, parallel = 1, material, nominal } = run;
  const bedding = run.under === 'cars' ? BEDDING : 0;
  const levelled = from && to && surface ? stationsOver({ surface, run, from, to }) : [];
  const profile = withEnds(levelled, run, plan);
  const invert = (along: number): number => plan.invertUp + ((plan.invertDown - plan.invertUp) * along) / length;
  const depths = profile.map(({ along, level }) => Math.max(0, level - invert(along)) + bedding);
  // In the trench of another it only makes that wider.
  const width = run.beside === undefined ? trenchWidth(run) : widened(run);
  const outside = outsideOf(material, nominal);
  const volume = trenchVolume({ stations: profile.map(({ along }) => along), depths, width, sideSlope: 0 });
  const deepest = Math.max(...depths);
  const bore = (parallel * length * Math.PI * outside ** 2) / 4;
  const stone = run.bored ? 0 : width * bedding * length;
  const meets = from && to ? crossingsAmong(around, [from, ...(run.bends ?? []), to]) : [];
  const slabs = meets.filter(({ kind }) => kind === 'surface').reduce((sum, { from: a, to: b }) => sum + b - a, 0);
  return {
    id,
    length,
    width,
    depth: deepest,
    // Driven through, only the bore itself comes out.
    volume: run.bored ? bore : volume,
    displaced: run.bored ? bore : Math.min(volume, stone + bore),
    bedding: stone,
    lifts: Math.max(1, Math.ceil((deepest - outside) / LIFT - 1e-6)),
    meets,
    underSlab: run.bored ? 0 : Math.max(slabs, run.under && PAVED.has(run.under) && slabs === 0 ? length : 0),
    turf: run.bored || (run.under !== undefined && run.under !== 'turf' && slabs === 0) ? 0 : length - slabs,
    bored: run.bored ? length : 0,
    byHand: run.under === 'deck' ? length : 0,
    beside: run.beside ?? null,
  };
}

/** What a trench is made of: its run, where its ends lie, its profile, and the ground and what lies in it. */
interface Read extends Profile {
  run: Run;
  from: Place | undefined;
  to: Place | undefined;
  surface: GroundSurface | null;
  around: Around;
}

const trench = step('trench', (read: Read): Trench => trenchOf(read));

/** Trenches of all new runs that have a plan; an edit works out those that it reaches. */
export function trenchesOf(job: Job, { runs: plans }: Pick<Solution, 'runs'>, kept: Kept): Trench[] {
  const runs = ofKind(job, 'run').filter((run) => plans[run.id] && isNew(run));
  const { surface } = groundOf(job);
  const around = aroundOf(job);
  const place = (id: string): Place | undefined => placeOfLanding(job.elements.get(id));
  const trenchAt = kept.row(trench, runs);
  return runs.map((run, at) => {
    const { invertUp, invertDown, groundUp, groundDown, comesOutOver, coveredGround, coverDown } = plans[run.id]!;
    return trenchAt(at, {
      run,
      from: place(run.from),
      to: place(run.to),
      surface,
      around,
      invertUp,
      invertDown,
      groundUp,
      groundDown,
      comesOutOver,
      coveredGround,
      coverDown,
    });
  });
}

export function countEarth(trenches: readonly Trench[], counting: Counting): void {
  const dug = counting.of({ type: 'dug' });
  const backfill = counting.of({ type: 'backfill' });
  const spoil = counting.of({ type: 'spoil' });
  const stone = counting.of({ type: 'stone', stone: 'bedding' });
  const turf = counting.of({ type: 'turf' });
  const saw = counting.of({ type: 'saw' });
  const slab = counting.of({ type: 'slab' });
  for (const { id, width, volume, displaced, bedding, underSlab, turf: grown, beside } of trenches) {
    dug(id, volume);
    backfill(id, volume - displaced);
    spoil(id, displaced);
    stone(id, bedding);
    turf(id, grown * (beside === null ? width + STRIP : width));
    saw(id, beside === null ? 2 * underSlab : 0);
    slab(id, underSlab * width);
  }
}
