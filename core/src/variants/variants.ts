/** Several plans over one site: the one that is worked on stands in the job, the others are kept aside whole, and any can take its place. */
import type { Change } from '../job/change';
import { applyChange } from '../job/change';
import { issueSentence } from '../job/faults';
import { freeOf } from '../job/edits/insert';
import { freshId } from '../job/ids';
import { headOf, ofKind, type Job } from '../job/job';
import { elementSchema, isLanding, kindOf, type Element, type Variant } from '../job/kinds';
import { referencesOf, targetsOf, unlinked } from '../job/links';
import { planJob, type Plan } from '../verdict/planJob';
import { priceOf, type Price } from '../price/price';
import { takeOff } from '../quantities/takeOff';

/** Works that are no landing, and are planned all the same. */
const PLANNED = new Set<Element['kind']>(['run', 'swale', 'culvert', 'berm', 'sleeve']);

/** Whether an element is of the plan rather than of the site: a downspout was there before anybody drew a line. */
const isPlanned = (element: Element): boolean =>
  PLANNED.has(element.kind) || (isLanding(element) && element.kind !== 'downspout');

const FIRST = 'First plan';
/** What the plan is called that goes on once the one before was kept for what is laid. */
export const AS_BUILT = 'As built';

/** Whether the plan that stands is what was built. */
export const isBuilt = (job: Job): boolean => headOf(job).option === AS_BUILT;

/** What this plan is called among its options. */
export const optionName = (job: Job): string => headOf(job).option ?? FIRST;

type Fields = Record<string, unknown>;
const fieldsOf = (element: Element): Fields => element as unknown as Fields;

/** The plan as it stands, to be kept aside. */
function snapshot(job: Job, id: string, name: string): Variant {
  const planned = job.elements.all.filter(isPlanned);
  const ids = new Set(planned.map((element) => element.id));
  const links: Record<string, Fields> = {};
  for (const element of job.elements) {
    if (ids.has(element.id) || kindOf(element.kind).onPaper) continue;
    const own: Fields = {};
    for (const link of kindOf(element.kind).links ?? [])
      if (targetsOf(element, link).some((to) => ids.has(to))) own[link.field] = fieldsOf(element)[link.field];
    if (Object.keys(own).length > 0) links[element.id] = own;
  }
  return { id, kind: 'variant', name, elements: planned as unknown as Variant['elements'], links };
}

/** Whether anything is drawn that would be lost if it were not kept aside. */
export const takesAside = (job: Job): boolean => ofKind(job, 'run').length > 0;

const optionNames = (job: Job): ReadonlySet<string> =>
  new Set([optionName(job), ...ofKind(job, 'variant').map(({ name }) => name)]);

/** A name that no option has: the first plan is the first of them. */
function nextName(job: Job): string {
  return freeOf(optionNames(job), 'Option 2');
}

/** The change that keeps the present plan aside under its name, and goes on with it under another: the one given, or the next that is free. */
export function keepAside(job: Job, name?: string): Change {
  const kept = snapshot(job, freshId('option'), optionName(job));
  return {
    label: 'Keep this plan as an option',
    puts: [kept, { ...headOf(job), option: name === undefined ? nextName(job) : freeOf(optionNames(job), name) }],
    removes: [],
  };
}

/** `left`: names of what led to something that is no longer on the site, and is left out. */
export type Taken = { ok: true; change: Change; left: readonly string[] } | { ok: false; sentence: string };

/** Of some elements those that point at nothing which is not there: links that can go are taken off, what cannot be without one is left out. */
function sound(planned: readonly Element[], there: (id: string) => boolean): { next: Element[]; left: Element[] } {
  let next = [...planned];
  const left: Element[] = [];
  for (;;) {
    const ids = new Set(next.map(({ id }) => id));
    const lost = (element: Element): string[] =>
      referencesOf(element).flatMap(({ to }) => (ids.has(to) || there(to) ? [] : [to]));
    const freed = next.map((element) => lost(element).reduce(unlinked, element));
    const kept = freed.filter((element) => lost(element).length === 0);
    left.push(...freed.filter((element) => lost(element).length > 0));
    if (kept.length === freed.length) return { next: kept, left };
    next = kept;
  }
}

/** The change that takes an option in the place of the present plan, which is kept aside in its turn. */
export function takeOption(job: Job, option: Variant): Taken {
  const found: Element[] = [];
  for (const raw of option.elements) {
    const read = elementSchema.safeParse(raw, { reportInput: true });
    if (!read.success || !isPlanned(read.data))
      return {
        ok: false,
        sentence: `${option.name} cannot be read: its ${raw.kind} ${raw.id} ${read.success ? 'is no part of a plan' : issueSentence(read.error.issues[0]!)}.`,
      };
    found.push(read.data);
  }
  const planned = new Set(found.map(({ id }) => id));
  const { next, left: missing } = sound(found, (id) => {
    const element = job.elements.get(id);
    return element !== undefined && !isPlanned(element) && !planned.has(id);
  });
  const ids = new Set(next.map(({ id }) => id));
  const present = job.elements.all.filter(isPlanned);
  const gone = present.filter(({ id }) => !ids.has(id)).map(({ id }) => id);
  const kept = snapshot(job, freshId('option'), optionName(job));
  const site = job.elements.all.flatMap((element): Element[] => {
    if (isPlanned(element) || element.kind === 'job' || kindOf(element.kind).onPaper) return [];
    let left = [...gone].reduce(unlinked, element);
    // Only to what is there: a downspout may have been taken away since.
    const own = Object.entries(option.links[element.id] ?? {}).filter(([field]) =>
      (kindOf(element.kind).links ?? []).some((link) => link.field === field),
    );
    if (own.length > 0) left = { ...left, ...Object.fromEntries(own) } as Element;
    const lost = (kindOf(left.kind).links ?? [])
      .flatMap((link) => targetsOf(left, link))
      .filter((to) => !ids.has(to) && (gone.includes(to) || !job.elements.has(to)));
    left = lost.reduce(unlinked, left);
    return left === element ? [] : [left];
  });
  return {
    ok: true,
    change: {
      label: `Take ${option.name}`,
      puts: [...next, ...site, kept, { ...headOf(job), option: option.name }],
      removes: [...gone, option.id],
    },
    left: missing.map((element) => ('name' in element && element.name) || kindOf(element.kind).label),
  };
}

export interface OptionFigures {
  /** Null of the present plan. */
  id: string | null;
  name: string;
  verdict: Plan['verdict'];
  price: Price;
  /** m of pipe, m³ dug. */
  pipe: number;
  dug: number;
}

function figuresOf(id: string | null, name: string, job: Job, plan: Plan): OptionFigures {
  const taken = takeOff(job, plan);
  const net = (type: string): number =>
    taken.parts.filter(({ item }) => item.type === type).reduce((sum, part) => sum + part.net, 0);
  return { id, name, verdict: plan.verdict, price: priceOf(job, taken), pipe: net('pipe'), dug: net('dug') };
}

export type Compared = (OptionFigures | { id: string; name: string; sentence: string })[];

/** Every option beside the present plan, the cheapest first; one that cannot be taken says why. */
export function compareOptions(job: Job, plan: Plan): Compared {
  const others = ofKind(job, 'variant').map((option): Compared[number] => {
    const taken = takeOption(job, option);
    if (!taken.ok) return { id: option.id, name: option.name, sentence: taken.sentence };
    const then = applyChange(job, taken.change).job;
    return figuresOf(option.id, option.name, then, planJob(then, plan));
  });
  const all = [figuresOf(null, optionName(job), job, plan), ...others];
  const priceOfOne = (each: Compared[number]): number => ('price' in each ? each.price.price : Infinity);
  return all.sort((a, b) => priceOfOne(a) - priceOfOne(b));
}
