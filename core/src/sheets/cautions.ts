/** What a crew minds before and while it digs, where this plan touches it; local rules and licensed practice stand above all of it. */
import { headOf, nameOf, ofKind, type Job } from '../job/job';
import { handDigOf } from '../yard/crossings';
import { floating } from '../quantities/floats';
import type { TakeOff } from '../quantities/takeOff';
import { showSmall, text } from '../units';
import { floatsWords, trenchWords } from '../quantities/words';

const CALL =
  'Call the locating service before any digging, and wait for every mark. Lines that the owner laid are not marked by it.';
const DEFER =
  'Never lead water onto a neighbour or into a sanitary sewer. Local code and licensed practice decide; this only plans.';
const types = ({ parts }: TakeOff): ReadonlySet<string> => new Set(parts.map(({ item }) => item.type));

/** Cautions of a job, the gravest first; the two that always stand close them. */
export function cautionsOf(job: Job, taken: TakeOff): string[] {
  const { units } = headOf(job);
  const has = types(taken);
  const met = new Set([...taken.trenches, ...taken.works].flatMap(({ meets }) => meets.map(({ id }) => id)));
  const services = ofKind(job, 'service').filter(({ id }) => met.has(id));
  const gas = services.filter(({ form }) => form === 'gas');
  const deep = trenchWords(job, taken.trenches);
  return [
    ...(deep === null ? [] : [deep]),
    ...services.map(
      (service) =>
        `By spade only within ${text(showSmall(handDigOf(service), units))} of ${service.name}${service.depth === undefined ? ', whose depth nobody knows' : ''}.`,
    ),
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
    CALL,
    DEFER,
  ];
}
