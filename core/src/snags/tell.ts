/** A snag in words, in the job's units. */
import { asGiven, headOf, nameOf, ofKind, type Job } from '../job/job';
import { unknownFall } from '../job/oldPipe';
import type { Solution } from '../plan/solution';
import { RULE_BY_CODE } from './rules';
import type { Snag, SnagWords } from './snag';
import { showPitch, text, type Shown } from '../units';
import { showMeasure, tellerOf } from '../words/teller';
import { situated } from '../yard/situate';

export function tellSnag(
  given: Job,
  solution: Pick<Solution, 'runs' | 'here'>,
  snag: Snag,
): SnagWords & { figure: Shown; limit: Shown } {
  const job = situated(given, solution);
  const { units } = headOf(job);
  const words = RULE_BY_CODE.get(snag.code)!.tell(snag, tellerOf(job, solution));
  return {
    ...words,
    ...(snag.onlyAt ? { headline: `${ifFound(given, snag.onlyAt)} ${words.headline}` } : {}),
    figure: showMeasure(snag.measure, snag.figure, units),
    limit: showMeasure(snag.measure, snag.limit, units),
  };
}

/** How the old pipes would have to lie for a snag that comes only one way. */
function ifFound(job: Job, onlyAt: NonNullable<Snag['onlyAt']>): string {
  const named = ofKind(asGiven(job), 'run').flatMap((run) => {
    const falls = unknownFall(run);
    return falls ? [{ name: nameOf(job, run.id), fall: onlyAt === 'flattest' ? falls.least : falls.most }] : [];
  });
  const only = onlyAt === 'flattest' ? 'only ' : '';
  const [one, ...others] = named;
  return !one || others.length > 0
    ? `If the old pipes fall ${onlyAt === 'flattest' ? 'as little as they may' : 'as much as they may'}:`
    : `If ${one.name} falls ${only}${text(showPitch(one.fall))}:`;
}

/** In two or three words what a snag is. */
export const shortOf = (snag: Snag): string | undefined => RULE_BY_CODE.get(snag.code)?.short;
