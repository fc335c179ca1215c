/** Lines laid out made a plan that can be dug: sized at least cost, mended by their own fixes, and sized again. */
import { fixOf } from '../design/fixes';
import { sizeJob } from '../design/sizeJob';
import { changed, type Change } from '../job/change';
import type { Job } from '../job/job';
import type { Element } from '../job/kinds';
import { standingOf } from '../schools/difference';
import { snagKey } from '../snags';
import { planJob, type Plan } from '../verdict/planJob';

/** Fixes of its own that a layout takes at most: a cleanout or two a line, and some of each line's own. */
const MENDED = 32;

/** Sized at least cost, and mended as far as that touches nothing but what is new; and sized again, as what was mended may be had for less. */
export function finished(given: Job, on: Job, elements: readonly Element[]): Job {
  const laid = changed(on, { puts: [...elements], removes: [] });
  const once = mended(given, sized(given, { job: laid, plan: planJob(laid) }));
  const twice = mended(given, sized(given, once));
  return isBetter(twice, once) ? twice.job : once.job;
}

interface Planned {
  job: Job;
  plan: Plan;
}

function isBetter(one: Planned, other: Planned): boolean {
  const count = ({ plan }: Planned, severity: string): number =>
    plan.snags.filter((snag) => snag.severity === severity).length;
  for (const severity of ['stop', 'fix']) {
    const more = count(one, severity) - count(other, severity);
    if (more !== 0) return more < 0;
  }
  return standingOf(one.job, one.plan).asked < standingOf(other.job, other.plan).asked;
}

/** Sizes of new pipe at least cost. */
function sized(given: Job, { job, plan }: Planned): Planned {
  const puts = sizeJob(job, plan)?.best.change.puts.filter(({ id }) => !given.elements.has(id)) ?? [];
  if (puts.length === 0) return { job, plan };
  const next = changed(job, { puts, removes: [] });
  return { job: next, plan: planJob(next, plan) };
}

/** Only minded, and done all the same: a line is laid once. */
const WANTED: ReadonlySet<string> = new Set(['sedimentTrapMissing']);

/** With the fixes that touch nothing but what is new. */
function mended(given: Job, start: Planned): Planned {
  const isOwn = ({ puts, removes }: Change): boolean =>
    [...puts.map(({ id }) => id), ...removes].every((id) => !given.elements.has(id));
  let { job, plan } = start;
  const passed = new Set<string>();
  for (let k = 0; k < MENDED; k++) {
    const snag = plan.snags.find(
      (each) => (each.severity !== 'mind' || WANTED.has(each.code)) && !passed.has(snagKey(each)),
    );
    if (!snag) break;
    const fix = fixOf(job, plan, snag);
    // A second cleanout is wanted where the first leaves too much behind it.
    if (!fix || fix.brings || !isOwn(fix.change)) {
      passed.add(snagKey(snag));
      continue;
    }
    job = changed(job, fix.change);
    plan = planJob(job, plan);
  }
  return { job, plan };
}
