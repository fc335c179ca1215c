/** Plans proposed for random yards: what is taken is sound, runs through no house, and what is told to hold stands the walk and drowns no door in the storm. */
import { applyChange } from '../job/change';
import { jobFaults } from '../job/faults';
import { ofKind, rainOf, type Job } from '../job/job';
import { isLaid } from '../job/kinds';
import { wayOfRun } from '../job/places';
import { proposalsOf, type Proposal } from '../proposals';
import { rainTable } from '../rain/intensityOfRain';
import { runStorm, stormFrom } from '../simulation';
import { planJob } from '../verdict/planJob';
import { crossingsOf } from '../yard/crossings';
import { seededPlot } from './seededPlot';
import { seededWhole } from './seededWhole';
import { isFine } from '../verdict/isFine';
import { walkOf } from './walk/walk';

export interface ProposalsTally {
  yards: number;
  /** Yards for which something lacks; plans told, those told to hold, those that lift by a pump. */
  lacking: number;
  told: number;
  holds: number;
  pumped: number;
  /** ms of the slowest yard. */
  slowest: number;
  /** One line for each promise that was not kept. */
  broken: string[];
}

/** A line begins at the wall that its leader hangs on, so far within the house at most, m. */
export const AT_WALL = 1.5;
/** A short storm on coarse ground; rain goes on so long, s. */
const SIZE = { cells: 300, length: 1200 };
const RAIN = 900;
/** Doors stand so much nearer to the water and count as no worse, m. */
const SAME = 0.005;

/** m of each new line that lie in a house, the worst. */
export function mostInHouse(given: Job, then: Job): number {
  const inHouse = ofKind(then, 'run').flatMap((run) => {
    const way = given.elements.has(run.id) || !isLaid(run) ? null : wayOfRun(then, run);
    return way
      ? [crossingsOf(then, way).reduce((sum, { kind, from, to }) => sum + (kind === 'building' ? to - from : 0), 0)]
      : [];
  });
  return Math.max(0, ...inHouse);
}

/** Least room under each sill in a storm, m, by door. */
function roomAt(job: Job): Map<string, number> {
  const plan = planJob(job);
  const table = rainTable(rainOf(plan.here!));
  const storm = table && stormFrom(table, RAIN, 'block');
  if (!storm) return new Map();
  const told = runStorm(job, plan, { rain: storm, wetness: 'ordinary', failing: [], step: 10, ...SIZE });
  return new Map(told.doors.flatMap(({ id, margin }) => (margin === null ? [] : [[id, margin]])));
}

/** Told to carry the rain, whatever there is to mind. */
const isSound = ({ plan }: Proposal): boolean => isFine(plan);

/** What a proposal does not keep. */
function brokenBy(given: Job, proposal: Proposal): string[] {
  const then = applyChange(given, proposal.change).job;
  const broken = jobFaults(then).map((fault) => `a fault: ${JSON.stringify(fault)}`);
  const inHouse = mostInHouse(given, then);
  if (inHouse > AT_WALL) broken.push(`${inHouse.toFixed(1)} m of a line in a house`);
  if (!isSound(proposal)) return broken;
  broken.push(...walkOf(proposal.job, proposal.plan).map((line) => `the walk: ${line}`));
  const before = roomAt(given);
  for (const [id, room] of roomAt(then))
    if (room < 0 && room < (before.get(id) ?? Infinity) - SAME)
      broken.push(`the storm stands ${(-room * 1000).toFixed(0)} mm over the sill of ${id}`);
  return broken;
}

/** Proposals for the yards of some seeds. */
export function runProposalsTrial(count: number, from: number, onYard: (yards: number) => void): ProposalsTally {
  const tally: ProposalsTally = { yards: 0, lacking: 0, told: 0, holds: 0, pumped: 0, slowest: 0, broken: [] };
  for (let seed = from; seed < from + count; seed++) {
    // Of each three one with anything about it that a job may hold.
    const job = seed % 3 === 0 ? seededWhole(seed) : seededPlot(seed);
    const start = performance.now();
    const all = proposalsOf(job);
    tally.slowest = Math.max(tally.slowest, performance.now() - start);
    tally.lacking += all.missing.length > 0 ? 1 : 0;
    for (const proposal of all.found) {
      tally.told++;
      tally.holds += isSound(proposal) ? 1 : 0;
      tally.pumped += proposal.layout.kind === 'pumped' ? 1 : 0;
      tally.broken.push(...brokenBy(job, proposal).map((line) => `seed ${seed}, ${proposal.aim}: ${line}`));
    }
    onYard(++tally.yards);
  }
  return tally;
}
