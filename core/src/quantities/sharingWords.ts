/** What lies in one trench with what, and how they lie there. */
import { waysOf } from '../job/buildWays';
import { elementOf, headOf, nameOf, type Job } from '../job/job';
import { lengthOfRun, placeAlong, wayOfRun } from '../job/places';
import type { RunPlan, Solution } from '../plan/solution';
import { sharedTrenches, type Shared } from './sharing';
import { footOnWay, wayLength, type Place } from '../site/place';
import { showLength, showSmall, text } from '../units';
import { situated } from '../yard/situate';

/** Less than so is no difference in level that a crew can dig to, m. */
const LEVEL = 0.006;

type Inverts = Pick<RunPlan, 'invertUp' | 'invertDown'>;

const invertAt = ({ invertUp, invertDown }: Inverts, share: number): number =>
  invertUp + share * (invertDown - invertUp);

type Laid = Pick<Solution, 'runs' | 'here' | 'works'>;

/** The way of what lies in a trench of its own, and the inverts at its two ends, m; null of what is drawn nowhere or not planned. */
function lies(job: Job, { runs, works }: Laid, id: string): { way: readonly Place[]; inverts: Inverts } | null {
  const host = job.elements.get(id);
  if (host?.kind === 'run') {
    const [way, plan] = [wayOfRun(job, host), runs[id]];
    return way && plan ? { way, inverts: plan } : null;
  }
  const work = works[id];
  if (host?.kind !== 'drain' || work?.kind !== 'drain' || !host.way) return null;
  return { way: host.way, inverts: { invertUp: work.invertHead, invertDown: work.invertFoot } };
}

/** How much higher a pipe's invert lies than that of the other in the middle of what they share, m; null where no plan says how they lie to one another. */
function above(job: Job, plan: Laid, id: string, { with: other, from, to }: Shared): number | null {
  const run = elementOf(job, 'run', id);
  const [own, host] = [lies(job, plan, id), lies(job, plan, other)];
  if (!run || !own || !host) return null;
  const share = (from + to) / 2 / run.length;
  const foot = footOnWay(host.way, placeAlong(own.way, share * wayLength(own.way)))!;
  return invertAt(own.inverts, share) - invertAt(host.inverts, foot.along / wayLength(host.way));
}

/** What is said of each run, by its id: the trenches of a job are looked through once. */
export function sharingOf(given: Job, plan: Laid): (id: string) => string[] {
  const job = situated(given, plan);
  const { units, ways } = headOf(job);
  const all = [...sharedTrenches(job, plan.runs, waysOf(ways).shareWithin)];
  const say = (id: string, guest: string, shared: Shared): string => {
    const run = elementOf(job, 'run', guest)!;
    const whole = shared.to - shared.from > 0.99 * lengthOfRun(job, run);
    const stretch = whole ? '' : ` for ${text(showLength(shared.to - shared.from, units))}`;
    const by = above(job, plan, guest, shared);
    const higher = by === null ? null : guest === id ? by : -by;
    const lying =
      higher === null
        ? ''
        : Math.abs(higher) < LEVEL
          ? ', side by side at one level'
          : `, ${text(showSmall(Math.abs(higher), units))} ${higher > 0 ? 'above' : 'below'} it`;
    return `In one trench with ${nameOf(job, guest === id ? shared.with : guest)}${stretch}${lying}.`;
  };
  return (id) =>
    all.flatMap(([guest, stretches]) =>
      stretches.flatMap((shared) => (guest === id || shared.with === id ? [say(id, guest, shared)] : [])),
    );
}

/** A sentence for every stretch that a run shares with another: whose trench it lies in or which lies in its own, how far, and which lies higher. */
export const sharingWords = (job: Job, plan: Laid, id: string): string[] => sharingOf(job, plan)(id);
