/** The trench of every run by its profile: what is dug, what the pipe and its bedding leave over, what lies on top. */
import type { Digger } from '../catalogue/diggers';
import { BEDDING, LIFT, outsideOf, STRIP } from '../catalogue/supply';
import type { Surface as GroundSurface } from '../ground/surface';
import { waysOf } from '../job/buildWays';
import { headOf, ofKind, type Job } from '../job/job';
import { isNew, type Run } from '../job/kinds';
import { PAVED } from '../job/kinds/run';
import { placeOfLanding } from '../job/places';
import { step, type Kept } from '../numeric/kept';
import type { RunPlan, Solution } from '../plan/solution';
import type { Place } from '../site/place';
import { aroundOf, metByRun, type Around, type Crossing } from '../yard/crossings';
import { groundOf } from '../yard/ground';
import { groundOver, stationsOver, type GroundStation } from '../yard/profile';
import type { Counting } from './counting';
import { outside, sharedTrenches, type Shared, type Stretch } from './sharing';
import { trenchVolume } from './trench';
import { diggerFor, trenchWidth, widened } from './widths';

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
  /** What over it is opened and made good: turf, m², saw cut, m, slab, m². */
  turf: number;
  sawn: number;
  slab: number;
  digger: Digger;
  /** Along it driven through, and dug by hand, m. */
  bored: number;
  byHand: number;
  /** Stretches of it in the trenches of others, and what is a trench of its own: m and m³. */
  shared: readonly Shared[];
  own: number;
  ownVolume: number;
}

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

/** How much of a stretch lies within others, m. */
const lengthIn = ([from, to]: Stretch, others: readonly Stretch[]): number =>
  others.reduce((sum, [a, b]) => sum + Math.max(0, Math.min(to, b) - Math.max(from, a)), 0);

/** Volume of a trench between two places along it, m³; its depth runs straight between stations. */
function volumeOf(stations: readonly number[], depths: readonly number[], [from, to]: Stretch, width: number): number {
  const depthAt = (along: number): number => {
    const k = Math.max(
      1,
      stations.findIndex((station) => station >= along),
    );
    const [a, b] = [stations[k - 1]!, stations[k]!];
    return b > a ? depths[k - 1]! + ((depths[k]! - depths[k - 1]!) * (along - a)) / (b - a) : depths[k]!;
  };
  const inner = stations.flatMap((station, k) => (station > from && station < to ? [[station, depths[k]!]] : []));
  const line = [[from, depthAt(from)], ...inner, [to, depthAt(to)]];
  return trenchVolume({
    stations: line.map(([station]) => station!),
    depths: line.map(([, depth]) => depth!),
    width,
    sideSlope: 0,
  });
}

/** What over a pipe is opened, by where along it that lies: slabs that it is drawn under, or what is said to be over it. */
function coversOf({ run, meets }: { run: Run; meets: readonly Crossing[] }): Record<'slabs' | 'turf', Stretch[]> {
  const whole: Stretch = [0, run.length];
  if (run.bored) return { slabs: [], turf: [] };
  const met = meets.filter(({ kind }) => kind === 'surface').map(({ from, to }): Stretch => [from, to]);
  if (met.length > 0) return { slabs: met, turf: outside(whole, met) };
  return run.under === undefined || run.under === 'turf'
    ? { slabs: [], turf: [whole] }
    : { slabs: PAVED.has(run.under) ? [whole] : [], turf: [] };
}

function trenchOf({ run, from, to, surface, around, shared, chosen, ...plan }: Read): Trench {
  const { id, length, parallel = 1, material, nominal } = run;
  const bedding = run.under === 'cars' ? BEDDING : 0;
  const levelled = from && to && surface ? stationsOver({ surface, run, from, to }) : [];
  const profile = withEnds(levelled, run, plan);
  const invert = (along: number): number => plan.invertUp + ((plan.invertDown - plan.invertUp) * along) / length;
  const stations = profile.map(({ along }) => along);
  const depths = profile.map(({ along, level }) => Math.max(0, level - invert(along)) + bedding);
  const outsideDiameter = outsideOf(material, nominal);
  const deepest = Math.max(...depths);
  const digger = diggerFor(run, deepest, chosen);
  const width = trenchWidth(run, digger);
  const bore = (parallel * length * Math.PI * outsideDiameter ** 2) / 4;
  const meets = metByRun(around, run, from && to ? [from, ...(run.bends ?? []), to] : null);
  const covers = coversOf({ run, meets });
  // In the trench of another it only makes that wider.
  const taken = shared.map((each): Stretch => [each.from, each.to]);
  const whole: Stretch = [0, length];
  const pieces = [
    ...(taken.length === 0 ? [whole] : outside(whole, taken)).map((at) => ({ at, width, own: true })),
    ...taken.map((at) => ({ at, width: widened(run), own: false })),
  ];
  const sum = (of: (piece: (typeof pieces)[number]) => number): number =>
    pieces.reduce((all, piece) => all + of(piece), 0);
  const dug = ({ at, width }: (typeof pieces)[number]): number =>
    taken.length === 0
      ? trenchVolume({ stations, depths, width, sideSlope: 0 })
      : volumeOf(stations, depths, at, width);
  // Driven through, only the bore itself comes out.
  const volume = run.bored ? bore : sum(dug);
  const stone = run.bored ? 0 : sum(({ at, width }) => width * bedding * (at[1] - at[0]));
  return {
    id,
    length,
    width: pieces.some(({ own }) => own) ? width : widened(run),
    depth: deepest,
    volume,
    displaced: run.bored ? bore : Math.min(volume, stone + bore),
    bedding: stone,
    lifts: Math.max(1, Math.ceil((deepest - outsideDiameter) / LIFT - 1e-6)),
    meets,
    turf: sum(({ at, width, own }) => lengthIn(at, covers.turf) * (own ? width + STRIP : width)),
    sawn: sum(({ at, own }) => (own ? 2 * lengthIn(at, covers.slabs) : 0)),
    slab: sum(({ at, width }) => lengthIn(at, covers.slabs) * width),
    bored: run.bored ? length : 0,
    digger,
    byHand: digger === 'hand' ? length : 0,
    shared,
    own: sum(({ at, own }) => (own ? at[1] - at[0] : 0)),
    ownVolume: run.bored ? 0 : sum((piece) => (piece.own ? dug(piece) : 0)),
  };
}

/** What a trench is made of: its run, where its ends lie, its profile, and the ground and what lies in it. */
interface Read extends Profile {
  run: Run;
  from: Place | undefined;
  to: Place | undefined;
  surface: GroundSurface | null;
  around: Around;
  shared: readonly Shared[];
  /** What trenches of the job are dug by. */
  chosen: Digger;
}

const ALONE: readonly Shared[] = [];

const trench = step('trench', (read: Read): Trench => trenchOf(read));

/** Trenches of all new runs that have a plan; an edit works out those that it reaches. */
export function trenchesOf(job: Job, { runs: plans }: Pick<Solution, 'runs'>, kept: Kept): Trench[] {
  // What comes to a barrel comes over the ground, down the leader.
  const runs = ofKind(job, 'run').filter(
    (run) => plans[run.id] && isNew(run) && job.elements.get(run.to)?.kind !== 'barrel',
  );
  const { surface } = groundOf(job);
  const around = aroundOf(job, kept);
  const place = (id: string): Place | undefined => placeOfLanding(job.elements.get(id));
  const { shareWithin, digger: chosen } = waysOf(headOf(job).ways);
  const shared = sharedTrenches(job, plans, shareWithin);
  const trenchAt = kept.row(trench, runs);
  return runs.map((run, at) => {
    const { invertUp, invertDown, groundUp, groundDown, comesOutOver, coveredGround, coverDown } = plans[run.id]!;
    return trenchAt(at, {
      run,
      from: place(run.from),
      to: place(run.to),
      surface,
      around,
      shared: shared.get(run.id) ?? ALONE,
      chosen,
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

/** A trench with only what its own stretches meet. */
export const ownMeets = (trench: Trench): Trench =>
  trench.shared.length === 0
    ? trench
    : {
        ...trench,
        meets: trench.meets.filter(
          ({ from, to }) => !trench.shared.some((each) => (from + to) / 2 >= each.from && (from + to) / 2 <= each.to),
        ),
      };

export function countEarth(trenches: readonly Trench[], counting: Counting): void {
  const dug = counting.of({ type: 'dug' });
  const backfill = counting.of({ type: 'backfill' });
  const spoil = counting.of({ type: 'spoil' });
  const stone = counting.of({ type: 'stone', stone: 'bedding' });
  const turf = counting.of({ type: 'turf' });
  const saw = counting.of({ type: 'saw' });
  const slab = counting.of({ type: 'slab' });
  for (const each of trenches) {
    const { id, volume, displaced, bedding } = each;
    dug(id, volume);
    backfill(id, volume - displaced);
    spoil(id, displaced);
    stone(id, bedding);
    turf(id, each.turf);
    saw(id, each.sawn);
    slab(id, each.slab);
  }
}
