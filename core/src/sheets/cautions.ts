/** What a crew minds before and while it digs, where this plan touches it; local rules and licensed practice stand above all of it. */
import { headOf, nameOf, ofKind, type Job } from '../job/job';
import { handDigOf } from '../yard/crossings';
import { floating } from '../quantities/floats';
import type { TakeOff } from '../quantities/takeOff';
import type { Plan } from '../verdict/planJob';
import { engineersWork } from './engineer';
import { showSmall, text } from '../units';
import { floatsWords, trenchWords } from '../quantities/words';

const CALL =
  'Call the locating service before any digging, and wait for every mark. Lines that the owner laid are not marked by it.';
const STAND = 'While the first of the backfill goes in somebody stands on the pipe: loose pipe lifts out of its pitch.';
const BRITTLE =
  'Pipe of recycled plastic cracks where it is dropped or struck in frost: not laid on a freezing day, and no stone tipped onto it.';
const DRY_FIRST =
  'Lay the barrel’s line out dry, barrel on its stand, before anything is glued: how high its outlet meets the pipe shows only then.';
const DEFER =
  'Never lead water onto a neighbour or into a sanitary sewer. Local code and licensed practice decide; this only plans.';
/** Lines met from which somebody watches and does nothing else. */
const MANY_MARKS = 3;
const types = ({ parts }: TakeOff): ReadonlySet<string> => new Set(parts.map(({ item }) => item.type));

/** Cautions of a job, the gravest first; the two that always stand close them. */
export function cautionsOf(job: Job, plan: Plan, taken: TakeOff): string[] {
  const { units } = headOf(job);
  const has = types(taken);
  const met = new Set([...taken.trenches, ...taken.works].flatMap(({ meets }) => meets.map(({ id }) => id)));
  const services = ofKind(job, 'service').filter(({ id }) => met.has(id));
  const gas = services.filter(({ form }) => form === 'gas');
  const deep = trenchWords(job, taken.trenches);
  const spotted = services.length >= MANY_MARKS;
  return [
    ...engineersWork(job, plan, taken),
    ...(deep === null ? [] : [deep]),
    ...services.map(
      (service) =>
        `By spade only within ${text(showSmall(handDigOf(service), units))} of ${service.name}${service.depth === undefined ? ', whose depth nobody knows' : ''}.`,
    ),
    ...(spotted
      ? ['Many lines lie here: one person does nothing but watch the bucket, and large lines may be unmarked.']
      : []),
    ...(gas.length > 0 ? ['Smell gas: stop, leave the engine off, clear the yard and call from afar.'] : []),
    ...floating(taken.parts).map(({ material, nominal, cover }) => floatsWords(material, nominal, cover, units)),
    ...(has.has('saw') ? ['Saw concrete wet, with a mask that keeps silica dust out, and nobody downwind.'] : []),
    ...(has.has('cement')
      ? ['Primer and cement give off fumes that burn: no flame, moving air, gloves, none of it in a deep trench.']
      : []),
    ...(ofKind(job, 'tree').some(({ id }) => met.has(id))
      ? [
          `Cut roots clean, none thicker than a wrist without asking: ${ofKind(job, 'tree')
            .filter(({ id }) => met.has(id))
            .map(({ id }) => nameOf(job, id))
            .join(', ')}.`,
        ]
      : []),
    ...(taken.parts.some(({ item }) => item.type === 'pipe' && item.recycled) ? [BRITTLE] : []),
    ...(has.has('barrel') ? [DRY_FIRST] : []),
    ...(has.has('backfill') && has.has('pipe') ? [STAND] : []),
    CALL,
    DEFER,
  ];
}
