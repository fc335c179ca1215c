/** Every rule of what fixes a snag, and the search for the fix that does. */
import { changed } from '../../job/change';
import { changeFaults } from '../../job/faults';
import type { Job } from '../../job/job';
import { planJob, type Plan } from '../../verdict/planJob';
import type { Snag } from '../../snags/snag';
import { channels } from './channels';
import { cleanout } from './cleanout';
import { cover } from './cover';
import type { Fix, FixRule } from './fix';
import { fittings } from './fittings';
import { mains } from './mains';
import { onGround } from './onGround';
import { ownPitch } from './ownPitch';
import { pipeSize } from './pipeSize';
import { popups } from './popups';
import { isFixed } from './prove';
import { sayMore } from './sayMore';
import { wayOut } from './wayOut';
import { works } from './works';
import { situated } from '../../yard/situate';

export type { Fix } from './fix';

const FIX_RULES: ReadonlyMap<string, FixRule> = new Map(
  [
    ...ownPitch,
    ...sayMore,
    ...fittings,
    ...pipeSize,
    ...channels,
    ...wayOut,
    ...popups,
    ...mains,
    ...onGround,
    ...works,
    cover,
    cleanout,
  ].map((each) => [each.code, each]),
);

/** Most that are tried: beyond it somebody on site knows better. */
const MAX_TRIED = 24;

/** Whether a candidate gives a sound job whose plan is better for it. */
function proved(job: Job, plan: Plan, snag: Snag, { change }: Fix): boolean {
  const after = changed(job, change);
  return changeFaults(job, after, change).length === 0 && isFixed(snag, plan.snags, planJob(after, plan).snags);
}

/**
 * Looks for the change that mends a snag: gives control back after each candidate that it had to work out, so that whoever asked can
 * go on with something else or call it off. Returns null when only a person on site can mend it.
 */
export function* searchFix(given: Job, plan: Plan, snag: Snag): Generator<undefined, Fix | null> {
  const job = situated(given, plan);
  let tried = 0;
  for (const candidate of FIX_RULES.get(snag.code)?.candidates(snag, job, plan) ?? []) {
    if (proved(job, plan, snag, candidate)) return candidate;
    if (++tried === MAX_TRIED) return null;
    yield undefined;
  }
  return null;
}

/** The change that mends a snag, looked for to the end; null when only a person on site can. */
export function fixOf(job: Job, plan: Plan, snag: Snag): Fix | null {
  const search = searchFix(job, plan, snag);
  for (let step = search.next(); ; step = search.next()) if (step.done) return step.value;
}
