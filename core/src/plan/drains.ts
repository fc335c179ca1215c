/** Every work that leads water off whatever the sky does: subsurface drains, by line and by field. */
import { headOf, keptOf, ofKind, type Job } from '../job/job';
import { kindOf, type Element } from '../job/kinds';
import { step } from '../numeric/kept';
import { WORK_KINDS, workKind, type WorkElementKind } from '../works';
import type { DrainPlan } from '../works/drain';
import type { UnderSwales } from '../works/work';
import { groundOf } from '../yard/ground';

export type Drains = ReadonlyMap<string, DrainPlan>;

const NONE: Drains = new Map();
const KINDS = WORK_KINDS.filter((kind) => workKind(kind)!.always);

type Lists = Partial<Record<WorkElementKind, readonly Element[]>>;

const drains = step('drains', (read: Lists & UnderSwales): Drains => {
  const plans = KINDS.flatMap((kind) =>
    read[kind]!.map((element) => [element.id, workKind(kind)!.always!(element, read) as DrainPlan] as const),
  );
  return new Map(plans);
});

export function drainsOf(job: Job): Drains {
  const lists = Object.fromEntries(KINDS.map((kind) => [kind, ofKind(job, kind)])) as Lists;
  const some = KINDS.filter((kind) => lists[kind]!.length > 0);
  if (some.length === 0) return NONE;
  // Only what has an outline asks which way the ground under it falls.
  const ground = some.some((kind) => kindOf(kind).shape === 'outline') ? groundOf(job).surface : null;
  return keptOf(job).ask(drains, { ...lists, soil: headOf(job).soil, ground, swales: ofKind(job, 'swale') });
}
