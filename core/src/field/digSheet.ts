/** What the crew digs by: a line from its way out upward, station by station, how deep and where the invert lies. */
import { BEDDING } from '../catalogue/supply';
import { elementOf, nameOf, type Job } from '../job/job';
import type { Run } from '../job/kinds';
import { straightOn } from '../numeric/straight';
import type { RunPlan, Solution } from '../plan/solution';
import { groundAlong } from '../quantities/earth';
import { crossingsOfRun, type Crossing } from '../yard/crossings';
import { situated } from '../yard/situate';

export interface DigStation {
  run: string;
  /** m up the line from its foot, and m down its run from the run's head. */
  up: number;
  along: number;
  /** The landing that stands there, by id; null between two. */
  landing: string | null;
  ground: number;
  /** True on a bank that nobody has measured: its ground is taken to be so. */
  assumed: boolean;
  invert: number;
  /** Ground less the bottom of the trench, its bedding under the pipe, m. */
  cut: number;
  bedding: number;
}

export interface DigLine {
  letter: string;
  /** From its foot upward. */
  runs: readonly string[];
  stations: readonly DigStation[];
  /** What its trench meets, m up the line. */
  meets: readonly (Pick<Crossing, 'id' | 'kind'> & { from: number; to: number })[];
  length: number;
}

/** Two stations nearer together than this are one, m; and so far from one a reading is of it. */
const APART = 0.05;
export const SAME_STATION = 0.02;
/** A pipe that comes in higher than the one below leaves, by more than a rod tells, is told at both, m. */
const STEP = 0.001;

/** A line's runs from its foot upward. */
function upward(runs: readonly RunPlan[]): RunPlan[] {
  const heads = new Set(runs.map(({ from }) => from));
  const byFoot = new Map(runs.map((run) => [run.to, run]));
  const ordered: RunPlan[] = [];
  const foot = runs.find(({ to }) => !heads.has(to));
  for (let run = foot; run && ordered.length < runs.length; run = byFoot.get(run.from)) ordered.push(run);
  return ordered;
}

/** The dig sheet of every line of a plan, a station every so many m up the line, one at every landing and wherever something was read. */
export function digSheet(given: Job, solution: Pick<Solution, 'lines' | 'runs' | 'here'>, every: number): DigLine[] {
  const { lines, runs } = solution;
  const job = situated(given, solution);
  return lines.flatMap(({ letter, runs: ids }): DigLine[] => {
    const ordered = upward(ids.flatMap((id) => runs[id] ?? []));
    if (ordered.length === 0) return [];
    const stations: DigStation[] = [];
    const meets: DigLine['meets'][number][] = [];
    let foot = 0;
    for (const plan of ordered) {
      const run = elementOf(job, 'run', plan.id)!;
      const below = stations.findLast(({ landing }) => landing !== null);
      const steps = below === undefined || Math.abs(below.invert - plan.invertDown) > STEP;
      stations.push(...stationsOf(job, { run, plan, foot, every, itsFoot: steps }));
      for (const { id, kind, from, to } of crossingsOfRun(job, run))
        meets.push({ id, kind, from: foot + run.length - to, to: foot + run.length - from });
      foot += run.length;
    }
    meets.sort((a, b) => a.from - b.from);
    return [{ letter, runs: ordered.map(({ id }) => id), stations, meets, length: foot }];
  });
}

/** Stations of a run whose foot lies so far up its line, from there upward; with its foot where that is not the head of the one below. */
function stationsOf(
  job: Job,
  { run, plan, foot, every, itsFoot }: { run: Run; plan: RunPlan; foot: number; every: number; itsFoot: boolean },
): DigStation[] {
  const profile = groundAlong(job, run, plan);
  const [places, levels] = [profile.map((each) => each.along), profile.map(({ level }) => level)];
  const bedding = run.under === 'cars' ? BEDDING : 0;
  const edge = run.length - plan.comesOutOver;
  const at = (up: number, landing: string | null): DigStation => {
    const along = Math.max(0, foot + run.length - up);
    const invert = plan.invertUp + ((plan.invertDown - plan.invertUp) * along) / run.length;
    const ground = straightOn(places, levels, along).value;
    const cut = Math.max(0, ground - invert) + bedding;
    const assumed = plan.bankAssumed && along >= edge - SAME_STATION && along < run.length - SAME_STATION;
    return { run: run.id, up, along, landing, ground, assumed, invert, cut, bedding };
  };
  const made = itsFoot ? [at(foot, run.to)] : [];
  const head = foot + run.length;
  for (let k = Math.floor(foot / every) + 1; k * every < head - APART; k++)
    if (k * every > foot + APART) made.push(at(k * every, null));
  made.push(at(head, run.from));
  // What was read where none stands now, as before the line was measured anew, has one of its own.
  for (const { along } of run.laid ?? []) {
    const up = head - along;
    if (along <= run.length && made.every((each) => Math.abs(each.up - up) >= SAME_STATION)) made.push(at(up, null));
  }
  return made.sort((a, b) => a.up - b.up);
}

/** What stands at a station, in a crew's words: a landing's name, or nothing. */
export const stationName = (job: Job, { landing }: DigStation): string | null =>
  landing === null ? null : nameOf(job, landing);

/** Rod reading with which the invert lies right, m, from a line of sight at a level. Less than 0: the instrument stands too low. */
export const targetRod = (sight: number, { invert }: Pick<DigStation, 'invert'>): number => sight - invert;
