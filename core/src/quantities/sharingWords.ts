/** What lies in one trench with what, and how they lie there. */
import { waysOf } from '../job/buildWays';
import { elementOf, headOf, nameOf, type Job } from '../job/job';
import { lengthOfRun, placeAlong, wayOfRun } from '../job/places';
import type { RunPlan, Solution } from '../plan/solution';
import { sharedTrenches, type Shared } from './sharing';
import { footOnWay, wayLength } from '../site/place';
import { showLength, showSmall, text } from '../units';
import { situated } from '../yard/situate';

/** Less than so is no difference in level that a crew can dig to, m. */
const LEVEL = 0.006;

const invertAt = ({ invertUp, invertDown }: RunPlan, share: number): number =>
  invertUp + share * (invertDown - invertUp);

/** How much higher a pipe's invert lies than that of the other in the middle of what they share, m; null where no plan says how they lie to one another. */
function above(job: Job, plans: Solution['runs'], id: string, { with: other, from, to }: Shared): number | null {
  const [run, host] = [elementOf(job, 'run', id), elementOf(job, 'run', other)];
  const [plan, theirs] = [plans[id], plans[other]];
  const [way, hostWay] = [run && wayOfRun(job, run), host && wayOfRun(job, host)];
  if (!run || !plan || !theirs || !way || !hostWay) return null;
  const share = (from + to) / 2 / run.length;
  const foot = footOnWay(hostWay, placeAlong(way, share * wayLength(way)))!;
  return invertAt(plan, share) - invertAt(theirs, foot.along / wayLength(hostWay));
}

/** What is said of each run, by its id: the trenches of a job are looked through once. */
export function sharingOf(given: Job, plan: Pick<Solution, 'runs' | 'here'>): (id: string) => string[] {
  const job = situated(given, plan);
  const { units, ways } = headOf(job);
  const all = [...sharedTrenches(job, plan.runs, waysOf(ways).shareWithin)];
  const say = (id: string, guest: string, shared: Shared): string => {
    const run = elementOf(job, 'run', guest)!;
    const whole = shared.to - shared.from > 0.99 * lengthOfRun(job, run);
    const stretch = whole ? '' : ` for ${text(showLength(shared.to - shared.from, units))}`;
    const by = above(job, plan.runs, guest, shared);
    const higher = by === null ? null : guest === id ? by : -by;
    const lies =
      higher === null
        ? ''
        : Math.abs(higher) < LEVEL
          ? ', side by side at one level'
          : `, ${text(showSmall(Math.abs(higher), units))} ${higher > 0 ? 'above' : 'below'} it`;
    return `In one trench with ${nameOf(job, guest === id ? shared.with : guest)}${stretch}${lies}.`;
  };
  return (id) =>
    all.flatMap(([guest, stretches]) =>
      stretches.flatMap((shared) => (guest === id || shared.with === id ? [say(id, guest, shared)] : [])),
    );
}

/** A sentence for every stretch that a run shares with another: whose trench it lies in or which lies in its own, how far, and which lies higher. */
export const sharingWords = (job: Job, plan: Pick<Solution, 'runs' | 'here'>, id: string): string[] =>
  sharingOf(job, plan)(id);
