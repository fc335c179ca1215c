/** Every mending, and the search for the one that mends. */
import { changed } from '../../job/change';
import type { Job } from '../../job/job';
import type { Solution } from '../../plan/solution';
import { solvePipes } from '../../plan/solve';
import type { Snag } from '../../snags/snag';
import { channels } from './channels';
import { cleanout } from './cleanout';
import type { Fix, Mending } from './fix';
import { fittings } from './fittings';
import { ownPitch } from './ownPitch';
import { pipeSize } from './pipeSize';
import { sayMore } from './sayMore';
import { wayOut } from './wayOut';

export type { Fix } from './fix';

const MENDINGS: ReadonlyMap<string, Mending> = new Map(
  [...ownPitch, ...sayMore, ...fittings, ...pipeSize, ...channels, ...wayOut, cleanout].map((each) => [
    each.code,
    each,
  ]),
);

/**
 * Looks for the change that mends a snag: gives control back after each candidate that it had to work out, so that whoever asked can
 * go on with something else or call it off. Returns null when only a person on site can mend it.
 */
export function* searchFix(job: Job, solution: Solution, snag: Snag): Generator<undefined, Fix | null> {
  const mending = MENDINGS.get(snag.code);
  for (const candidate of mending?.candidates(snag, job, solution) ?? []) {
    if (!mending!.mends || mending!.mends(solvePipes(changed(job, candidate.change)), snag, solution)) return candidate;
    yield undefined;
  }
  return null;
}

/** The change that mends a snag, looked for to the end; null when only a person on site can. */
export function fixOf(job: Job, solution: Solution, snag: Snag): Fix | null {
  const search = searchFix(job, solution, snag);
  for (let step = search.next(); ; step = search.next()) if (step.done) return step.value;
}
