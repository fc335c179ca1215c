/** Whom this plan must ask before anybody digs, derived from it and from the site: leave, marks and notice, each with why. */
import { elementOf, ofKind, type Job } from '../job/job';
import type { Discharge, Service } from '../job/kinds';
import { OUTFALLS, receivingOf } from '../catalogue/outfalls';
import type { Trench } from '../quantities/earth';
import type { TakeOff } from '../quantities/takeOff';
import { DUG } from '../quantities/worksDug';

export const NEEDS = [
  'locate',
  'private',
  'rightOfWay',
  'sidewalk',
  'water',
  'neighbour',
  'association',
  'irrigation',
  'telecom',
  'trades',
  'inspection',
] as const;
export type NeedKind = (typeof NEEDS)[number];

export interface Need {
  /** Kept with its clearance: what is asked for, and of which thing. */
  key: string;
  kind: NeedKind;
  /** Nobody digs without it; else it is worth a question. */
  must: boolean;
  /** Things of the job that it is about, by id. */
  about: readonly string[];
}

/** Lines that the owner laid: the public locating service does not mark them. */
const PRIVATE = new Set<Service['form']>(['irrigation', 'lighting', 'invisibleFence', 'septicField', 'well']);
export const isPrivate = ({ form, owner }: Service): boolean =>
  owner === 'private' || (owner === undefined && PRIVATE.has(form));

/** Clearances that a plan needs, the gravest first; none where nothing is dug. */
export function needsOf(job: Job, { trenches, works, parts }: TakeOff): Need[] {
  if (trenches.length === 0 && DUG.every((kind) => ofKind(job, kind).length === 0)) return [];
  const met = new Set([...trenches, ...works].flatMap(({ meets }) => meets.map(({ id }) => id)));
  const services = ofKind(job, 'service');
  const outs = ofKind(job, 'discharge');
  const needs: Need[] = [];
  const need = (kind: NeedKind, must: boolean, about: readonly { id: string }[], suffix = ''): void =>
    void needs.push({ key: kind + suffix, kind, must, about: about.map(({ id }) => id) });
  need(
    'locate',
    true,
    services.filter((service) => !isPrivate(service)),
  );
  need('private', true, services.filter(isPrivate));
  const inStreet = outs.filter((out) => streetward(out));
  if (inStreet.length > 0) need('rightOfWay', true, inStreet);
  const walks = inStreet.filter((out) => out.form === 'kerb' || beyondTheLine(job, trenches, out));
  if (walks.length > 0) need('sidewalk', true, walks);
  const ponds = outs.filter(({ form }) => form === 'pond');
  if (ponds.length > 0) need('water', true, ponds);
  // One neighbour an edge: each is asked by himself.
  for (const edge of ofKind(job, 'barrier'))
    if (edge.form === 'propertyLine' && met.has(edge.id)) need('neighbour', true, [edge], ` ${edge.id}`);
  for (const out of outs) if (out.consent !== undefined) need('neighbour', true, [out], ` ${out.id}`);
  const crossed = (form: Service['form']): Service[] =>
    services.filter((service) => service.form === form && met.has(service.id));
  if (crossed('irrigation').length > 0) need('irrigation', true, crossed('irrigation'));
  if (crossed('telecom').length > 0) need('telecom', true, crossed('telecom'));
  const mains = outs.filter(({ form }) => form === 'main');
  if (mains.length > 0) need('inspection', true, mains);
  need('association', false, []);
  if (parts.some(({ item }) => item.type === 'slab'))
    need(
      'trades',
      false,
      ofKind(job, 'surface').filter(({ id }) => met.has(id)),
    );
  return needs;
}

/** Whether a way out lies in public ground: a street, its kerb or its ditch, a main. */
function streetward(out: Discharge): boolean {
  if (OUTFALLS[out.form].inChannel) return false;
  return out.form === 'kerb' || out.form === 'main' || receivingOf(out) === 'street' || receivingOf(out) === 'ditch';
}

/** Whether the trench to a way out in public ground opens paving beyond the property line: that is the walk. */
function beyondTheLine(job: Job, trenches: readonly Trench[], out: Discharge): boolean {
  return trenches.some(({ id, meets }) => {
    if (elementOf(job, 'run', id)?.to !== out.id) return false;
    const line = meets.find((met) => elementOf(job, 'barrier', met.id)?.form === 'propertyLine');
    return line !== undefined && meets.some(({ kind, to }) => kind === 'surface' && to > line.from + 1e-6);
  });
}

/** Public services without marks on the ground yet, by id: a locate that is granted is not whole while there are any. */
export const unmarked = (job: Job): Service[] =>
  ofKind(job, 'service').filter((service) => !isPrivate(service) && service.markedBy === undefined);
