/** What of a job is not a drainage contractor's work, and why: the rest of it goes on. */
import { headOf, nameOf, ofKind, type Job } from '../job/job';
import type { JobElement } from '../job/kinds/job';
import { isNew } from '../job/kinds/run';
import { METRES_PER_FOOT } from '../units/constants';
import { showArea, showLength, text } from '../units';
import type { TakeOff } from '../quantities/takeOff';
import type { Plan } from '../verdict/planJob';

export type Beyond = NonNullable<JobElement['beyond']>[number];

/** Each with the box that says it is here, and the sentence that follows from it. */
export const BEYOND_WORDS: Record<Beyond, { label: string; because: string }> = {
  retainingWall: {
    label: 'A retaining wall that moves, or is to be built',
    because: 'what holds earth back is designed for the earth and the water behind it',
  },
  foundation: {
    label: 'A cracked or sinking foundation',
    because: 'draining round it may be half of the cure, and digging beside it half of the harm',
  },
  floodPlain: { label: 'A flood plain', because: 'what is filled or dug there raises the water of others' },
  commercial: {
    label: 'A commercial site',
    because: 'its runoff is regulated: volumes, rates and records are asked for',
  },
  wetland: { label: 'A wetland or stream', because: 'nothing is dug, filled or let out there without a permit' },
  gas: { label: 'A smell of gas, or a damaged line', because: 'only the gas company touches it' },
};

type Trenched = Pick<TakeOff, 'trenches'>;

/** Trench from which protection is designed by an engineer, m: 20 ft (29 CFR 1926.652). */
const DEEPEST = 20 * METRES_PER_FOOT;
/** Land that sheds to one job from which most places ask for a plan of its runoff, m²: 1 acre. */
const LARGE = 4046.86;
/** Retaining walls that a trench goes through. */
function wallsMet(job: Job, { trenches }: Trenched): string[] {
  const met = new Set(trenches.flatMap(({ meets }) => meets.map(({ id }) => id)));
  return ofKind(job, 'barrier')
    .filter(({ id, form }) => form === 'retainingWall' && met.has(id))
    .map(({ id }) => nameOf(job, id));
}

/** `taken`: of its trenches, where those are known. Sentences "A licensed engineer's work: …, because …", none where all of it is the contractor's own. */
export function engineersWork(job: Job, plan: Pick<Plan, 'sources'>, taken: Trenched): string[] {
  const { units, beyond = [] } = headOf(job);
  const say = (what: string, because: string): string => `A licensed engineer’s work: ${what}, because ${because}.`;
  const told = beyond.map((each) => {
    const { label, because } = BEYOND_WORDS[each];
    return say(`${label.charAt(0).toLowerCase()}${label.slice(1)}`, because);
  });
  const area = plan.sources.contributingAreas.reduce((sum, each) => sum + each.area, 0);
  if (area > LARGE && !beyond.includes('commercial'))
    told.push(
      say(
        `the runoff of ${text(showArea(area, units))}`,
        'from an acre on most places ask for a plan of it under a seal',
      ),
    );
  const deepest = Math.max(0, ...taken.trenches.map(({ depth }) => depth));
  if (deepest > DEEPEST)
    told.push(
      say(
        `the protection of a trench ${text(showLength(deepest, units))} deep`,
        `deeper than ${text(showLength(DEEPEST, units))} no table of shoring holds`,
      ),
    );
  for (const wall of wallsMet(job, taken))
    told.push(say(`a trench through ${wall}`, 'it stands on the very earth that is dug away'));
  for (const { id, mainIs } of ofKind(job, 'discharge'))
    if (mainIs === 'sanitary' && ofKind(job, 'run').some((run) => isNew(run) && run.to === id))
      told.push(say(`anything at ${nameOf(job, id)}`, 'it is a sanitary sewer'));
  return told;
}
