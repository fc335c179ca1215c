/** Every rule of what fixes a snag, and the search for the fix that does. */
import { changed } from '../../job/change';
import { changeFaults } from '../../job/faults';
import type { Job } from '../../job/job';
import { planJob, type Plan } from '../../verdict/planJob';
import type { Snag } from '../../snags/snag';
import { tellSnag } from '../../snags/tell';
import { leaveOld } from '../leaveOld';
import { channels } from './channels';
import { cleanout } from './cleanout';
import { cover } from './cover';
import { drops } from './drops';
import type { Fix, FixRule } from './fix';
import { fittings } from './fittings';
import { mains } from './mains';
import { onGround } from './onGround';
import { ownPitch } from './ownPitch';
import { passPipe } from './passPipe';
import { passService } from './passService';
import { pipeSize } from './pipeSize';
import { popups } from './popups';
import { isFixed, noWorse } from './prove';
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
    drops,
    passService,
    passPipe,
  ].map((each) => [each.code, each]),
);

/** Most that are tried: beyond it somebody on site knows better. */
const MAX_TRIED = 24;

/** How many more are tried for one that harms nothing, once one is found that brings something. */
const MORE_TRIED = 8;

/** A candidate as a fix, with what it brings; null where it gives no sound job, or one that is no better. */
function proved(job: Job, plan: Plan, snag: Snag, fix: Fix): Fix | null {
  const after = changed(job, fix.change);
  if (changeFaults(job, after, fix.change).length > 0) return null;
  const planned = planJob(after, plan);
  if (!isFixed(snag, plan.snags, planned.snags)) return null;
  const asItWas = noWorse(plan.snags, planned.snags, snag);
  const brought = planned.snags.filter((each) => each.severity !== 'mind' && !asItWas(each));
  return brought.length === 0
    ? fix
    : { ...fix, brings: brought.map((each) => tellSnag(after, planned, each).headline) };
}

/**
 * Looks for the change that mends a snag, rather one that brings nothing else: gives control back after each candidate that it had to work
 * out, so that whoever asked can go on with something else or call it off. Returns null when only a person on site can mend it.
 */
export function* searchFix(given: Job, plan: Plan, snag: Snag): Generator<undefined, Fix | null> {
  const job = situated(given, plan);
  let left = MAX_TRIED;
  let least: Fix | null = null;
  for (const candidate of FIX_RULES.get(snag.code)?.candidates(snag, job, plan) ?? []) {
    const change = leaveOld(given, job, candidate.change);
    const fix = change && proved(given, plan, snag, { ...candidate, change });
    if (fix && !fix.brings) return fix;
    if (fix && !least) left = Math.min(left, MORE_TRIED);
    if (fix && (!least || fix.brings!.length < least.brings!.length)) least = fix;
    if (--left <= 0) return least;
    yield undefined;
  }
  return least;
}

/** The change that mends a snag, looked for to the end; null when only a person on site can. */
export function fixOf(job: Job, plan: Plan, snag: Snag): Fix | null {
  const search = searchFix(job, plan, snag);
  for (let step = search.next(); ; step = search.next()) if (step.done) return step.value;
}
