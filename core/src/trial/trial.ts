/** Trials: random jobs planned, mended and sized, and each judged by a walk that knows nothing of the rules. */
import { laidCost } from '../design/cost';
import { fixOf } from '../design/fixes';
import { sizeJob } from '../design/sizeJob';
import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import type { Job } from '../job/job';
import { isFine } from '../verdict/isFine';
import { planJob, type Plan } from '../verdict/planJob';
import { seededJob } from './seeded';
import { seededClean } from './seededClean';
import { seededWhole } from './seededWhole';
import { seededDoors } from './seededDoors';
import { type Mood } from './seededElements';
import { SEVERITIES, snagKey, type Snag } from '../snags/snag';
import { walkOf } from './walk/walk';

export interface Tally {
  jobs: number;
  /** Plans told to hold, as made or after their fixes. */
  holds: number;
  fixes: number;
  sizings: number;
  /** ms of the slowest plan. */
  slowest: number;
  slowestJob: string;
  /** Plans that took longer than 50 ms. */
  over50: number;
  /** One line for each promise that was not kept. */
  broken: string[];
}

/** Every number in a plan, however deep. */
export const numbersIn = (value: unknown): number[] => {
  if (typeof value === 'number') return [value];
  if (value instanceof Map) return [...value.values()].flatMap(numbersIn);
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(numbersIn) : [];
};

/** Snags that are as bad as one or worse, by code, place and severity. */
const asBad = (snag: Snag, { snags }: Plan): Snag[] =>
  snags.filter(({ severity }) => SEVERITIES.indexOf(severity) <= SEVERITIES.indexOf(snag.severity));

/** What a fix did not keep of its promise; null when it did. */
export function brokenFix(snag: Snag, before: Plan, after: Plan): string | null {
  if (after.snags.some((each) => snagKey(each) === snagKey(snag))) return 'its snag is still there';
  const count = (plan: Plan, code: string): number => asBad(snag, plan).filter((each) => each.code === code).length;
  const worse = [...new Set(asBad(snag, after).map(({ code }) => code))].find(
    (code) => count(after, code) > count(before, code),
  );
  return worse ? `it brings ${worse}` : null;
}

/** What a clean job is blamed for: each of it is false. */
function blamed(job: Job): string[] {
  const plan = planJob(job);
  const said = plan.snags.filter(({ severity }) => severity !== 'mind').map(({ code, at }) => `${code} at ${at}`);
  return (isFine(plan) ? said : [...said, 'not told to hold']).map((what) => `${job.id} is clean, and is told ${what}`);
}

/** Tries one job, and then what its own fixes make of it, for so many rounds. */
function tryJob(first: Job, tally: Tally, now: () => number): void {
  let job = first;
  for (let round = 0; round < 14; round++) {
    const started = now();
    const plan = planJob(job);
    const took = now() - started;
    if (took > 50) tally.over50++;
    if (took > tally.slowest) Object.assign(tally, { slowest: took, slowestJob: `${job.id}, round ${round}` });
    const broke = (what: string): void => void tally.broken.push(`${job.id}, round ${round}: ${what}`);
    if (numbersIn(plan).some(Number.isNaN)) broke('NaN');
    if (isFine(plan)) {
      tally.holds++;
      for (const wrong of walkOf(job, plan)) broke(`told to hold, but ${wrong}`);
    }
    const sizing = round === 0 ? sizeJob(job, plan) : null;
    if (sizing) trySizing(job, plan, sizing, tally, broke);
    let next: Job | null = null;
    for (const snag of plan.snags) {
      const fix = fixOf(job, plan, snag);
      if (!fix) continue;
      tally.fixes++;
      const mended = changed(job, fix.change);
      const fault = jobFaults(mended)[0];
      if (fault) broke(`"${fix.label}" leaves a fault: ${fault.sentence}`);
      const wrong = brokenFix(snag, plan, planJob(mended, plan));
      if (wrong) broke(`"${fix.label}" for ${snag.code}: ${wrong}`);
      next ??= mended;
      // All of a job's fixes once; from there on the first, as somebody would take them one by one.
      if (round > 0) break;
    }
    if (!next) return;
    job = next;
  }
}

function trySizing(
  job: Job,
  plan: Plan,
  { best, others }: NonNullable<ReturnType<typeof sizeJob>>,
  tally: Tally,
  broke: (what: string) => void,
): void {
  tally.sizings++;
  const codes = new Set(plan.snags.map(({ code }) => code));
  const unsound = plan.snags.some(({ severity }) => severity !== 'mind');
  for (const sized of [best, ...others]) {
    const after = planJob(changed(job, sized.change), plan);
    if (Math.abs(laidCost(after) - sized.cost) > 1e-6 * sized.cost) broke('a sizing costs other than it claims');
    const fresh = after.snags.find(({ code }) => !codes.has(code));
    if (fresh) broke(`a sizing brings ${fresh.code}`);
  }
  if (!unsound && best.cost > laidCost(plan) * (1 + 1e-9)) broke('a sizing is dearer than what held');
}

type TrialMood = Mood | 'doors' | 'clean' | 'whole';

const MAKE: Record<TrialMood, (seed: number) => Job> = {
  wild: (seed) => seededJob(seed, 'wild'),
  calm: (seed) => seededJob(seed, 'calm'),
  doors: seededDoors,
  clean: seededClean,
  whole: seededWhole,
};

interface Trial {
  /** First seed. */
  from?: number;
  /** `doors`: calm jobs beside a house whose doors no inlet names. `clean`: jobs that a crew would call clean, and that nothing may be said of. */
  moods?: readonly TrialMood[];
  /** A clock, ms. */
  now?: () => number;
  /** Called after each job with how many there have been. */
  onJob?: (jobs: number) => void;
}

/** Runs so many jobs of each mood. */
export function runTrial(
  count: number,
  { from = 1, moods = ['wild', 'calm', 'doors', 'clean', 'whole'], now = () => 0, onJob }: Trial = {},
): Tally {
  const tally: Tally = { jobs: 0, holds: 0, fixes: 0, sizings: 0, slowest: 0, slowestJob: '', over50: 0, broken: [] };
  for (let seed = from; seed < from + count; seed++) {
    for (const mood of moods) {
      const job = MAKE[mood](seed);
      if (mood === 'clean') tally.broken.push(...blamed(job));
      tryJob(job, tally, now);
      tally.jobs++;
      onJob?.(tally.jobs);
    }
  }
  return tally;
}
