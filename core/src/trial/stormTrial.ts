/**
 * Storms over random yards: nothing is lost, more rain stands no lower at a door, and what is mended stands no higher there. What a storm
 * comes to is held against another storm over the same yard, never against what the plan says.
 */
import { rainOf } from '../job/job';
import type { Job } from '../job/job';
import { rainTable } from '../rain/intensityOfRain';
import { failuresOf, RAIN_SHAPES, runStorm, stormFrom, type Failure, type StormTold } from '../simulation';
import { planJob } from '../verdict/planJob';
import { seededJob } from './seeded';
import { seededWhole } from './seededWhole';
import { walkGivesWay } from './walk/walkGivesWay';

export interface StormTally {
  yards: number;
  storms: number;
  failures: number;
  /** Worst share of all that came that is not accounted for. */
  error: number;
  /** Steps that were hard even in parts. */
  hard: number;
  /** Doors and inlets compared, and by how much the worst went the wrong way, m. */
  compared: number;
  worst: number;
  /** One line for each promise that was not kept. */
  broken: string[];
}

/** A shorter storm than one that is watched, on coarser ground. */
const SIZE = { cells: 300, length: 1200 };
const RAIN = 900;
/** By how much water may go the wrong way and still count as the same, m: a pump that starts a step later, a cell that another current fills. */
const SAME = 0.005;

/** Water over every inlet and before every door, by id; what no water comes to has none. */
function standsAt({ landings, doors }: StormTold): Map<string, number> {
  const at = new Map(landings.map(({ id, peak }) => [`inlet ${id}`, peak]));
  for (const { id, sill, margin } of doors) if (margin !== null) at.set(`door ${id}`, sill - margin);
  return at;
}

const isSound = (told: StormTold): boolean =>
  told.landings.every(({ peak, captured, passed }) => [peak, captured, passed].every(Number.isFinite)) &&
  told.runs.every(({ fullest }) => Number.isFinite(fullest)) &&
  Object.values(told.balance).every(Number.isFinite);

/** Storms over the yards of some seeds: each dry of failures, with more rain, and with what fails and is mended. */
export function runStormTrial(count: number, from: number, onYard: (yards: number) => void): StormTally {
  const tally: StormTally = { yards: 0, storms: 0, failures: 0, error: 0, hard: 0, compared: 0, worst: 0, broken: [] };
  for (let seed = from; seed < from + count; seed++)
    for (const job of [seededWhole(seed), seededJob(seed, 'calm')]) {
      tryYard(job, seed, tally);
      onYard(++tally.yards);
    }
  return tally;
}

function tryYard(job: Job, seed: number, tally: StormTally): void {
  const plan = planJob(job);
  const table = rainTable(rainOf(plan.here!));
  const fall = stormFrom(table, RAIN, RAIN_SHAPES[seed % RAIN_SHAPES.length]!);
  const more = { ...fall, intensities: fall.intensities.map((each) => 1.5 * each) };
  const failing = failuresOf(job, plan).filter((_, k) => (seed + k) % 4 === 0);
  const rained = (rain: typeof fall, some: readonly Failure[]): StormTold => {
    const told = runStorm(job, plan, { rain, wetness: 'ordinary', failing: some, ...SIZE });
    tally.storms++;
    tally.error = Math.max(tally.error, told.balance.error);
    tally.hard += told.hard;
    for (const wrong of walkGivesWay(job, plan, told)) tally.broken.push(`${job.id}: ${wrong}`);
    if (told.balance.error > 1e-6 || !isSound(told)) tally.broken.push(`${job.id}: water is lost or has no number`);
    return told;
  };
  tally.failures += failing.length;
  const plain = standsAt(rained(fall, []));
  const compare = (higher: Map<string, number>, what: string): void => {
    for (const [at, level] of plain) {
      const then = higher.get(at) ?? -Infinity;
      tally.compared++;
      tally.worst = Math.max(tally.worst, Math.min(1, level - then));
      if (level - then > SAME)
        tally.broken.push(`${job.id}: ${((level - then) * 1000).toFixed(1)} mm lower at ${at} ${what}`);
    }
  };
  compare(standsAt(rained(more, [])), 'in more rain');
  // Of one grate that is blocked the water there is no lower than with it open.
  const one = failing.find(({ kind }) => kind === 'blocked');
  const blocked = one && standsAt(rained(fall, [one]));
  const place = one && `inlet ${one.id}`;
  if (blocked && place && plain.get(place)! - blocked.get(place)! > SAME)
    tally.broken.push(`${job.id}: mended, it stands higher at ${place}`);
  if (failing.length > 0) rained(fall, failing);
}
