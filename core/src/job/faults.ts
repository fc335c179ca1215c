/** What is wrong with a job as data, said in full. A poor plan is not a fault: that is a snag. */
import type { z } from 'zod';
import type { Change } from './change';
import { elementOf, ofKind, type Job } from './job';
import { ELEMENT_KINDS, isGroundInlet, isLanding, kindOf, type Element, type Run } from './kinds';
import type { Link } from './kinds/kind';
import { referencesOf, targetsOf, type Reference } from './links';

export interface Fault {
  /** Where: `elements`, the index or id, the field … */
  path: string;
  sentence: string;
}

/** More than any yard holds; keeps a hostile file from tying up a phone. */
export const MAX_ELEMENTS = 20_000;

type Issue = z.core.$ZodIssue;

function limitSentence(issue: Issue & { code: 'too_small' | 'too_big' }): string {
  const small = issue.code === 'too_small';
  const bound = small ? issue.minimum : issue.maximum;
  if (issue.origin === 'string') return small ? 'must not be empty' : `must be at most ${bound} characters`;
  if (issue.origin === 'array') return small ? `must hold at least ${bound}` : `must hold at most ${bound}`;
  return `must be ${small ? 'more than' : 'less than'} ${bound}${issue.inclusive ? ' or equal to it' : ''}`;
}

/** A schema issue as a clause that follows the field's name. */
export function issueSentence(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'is missing'
        : `must be a ${issue.expected === 'number' ? 'finite number' : issue.expected}`;
    case 'too_small':
    case 'too_big':
      return limitSentence(issue);
    case 'invalid_value':
      return `must be ${issue.values.map((value) => JSON.stringify(value)).join(' or ')}`;
    case 'invalid_union':
      return 'is of no kind that this version knows';
    case 'unrecognized_keys':
      return `has fields that this version does not know: ${issue.keys.join(', ')}`;
    case 'invalid_format':
      return issue.message.startsWith('must') ? issue.message : `is not a valid ${issue.format}`;
    default:
      return issue.message;
  }
}

const at = (id: string, field?: string): string => `elements.${id}${field ? `.${field}` : ''}`;

/** What is wrong with where a link leads; null when nothing is. */
function linkFault(job: Job, { to, link }: Reference): string | null {
  const target = job.elements.get(to);
  if (!target) return `points to "${to}", which is not in the job`;
  if (link.to === 'groundInlet')
    return isGroundInlet(target) ? null : `must be a basin or a channel drain, and "${to}" is a ${target.kind}`;
  if (link.to === 'downspout')
    return target.kind === 'downspout' ? null : `must be a downspout, and "${to}" is a ${target.kind}`;
  if (!isLanding(target)) {
    // A downspout that is no landing is one that ends in a gutter.
    const what: string = (target as Element).kind;
    return `must be a landing, and "${to}" is ${what === 'downspout' ? 'a downspout that lands on a gutter' : `a ${what}`}`;
  }
  if (link.to === 'start' && target.kind === 'discharge')
    return `starts at "${to}", where water has already left the job`;
  return null;
}

/** Links that must not go round, with the kinds that have them. Pipes first, as a job is read. */
const CIRCUITS = (['pipes', 'gutters', 'overflows'] as const).map((circuit) => ({
  circuit,
  members: ELEMENT_KINDS.flatMap((kind) =>
    (kindOf(kind).links ?? []).filter((link) => link.circuit === circuit).map((link) => ({ kind, link })),
  ),
}));
type Circuit = NonNullable<Link['circuit']>;

/** What is told of a loop, by what goes round; for pipes the run is named, else the field. */
const ROUND: Record<Circuit, (loop: string) => string> = {
  pipes: (loop) => `is on a loop of pipes: ${loop}`,
  gutters: (loop) => `goes round from gutter to gutter: ${loop}`,
  overflows: (loop) => `passes water round: ${loop}`,
};

/** From where to where an element's link carries water: a run from its upper landing, anything else from itself. */
const sourceOf = (element: Element): string => (element.kind === 'run' ? element.from : element.id);

/** Next ids of every id on a circuit. Of several runs out of one landing all are followed. */
function circuitLinks(job: Job, circuit: Circuit): Map<string, string[]> {
  const links = new Map<string, string[]>();
  for (const { kind, link } of CIRCUITS.find((each) => each.circuit === circuit)!.members) {
    for (const element of ofKind(job, kind)) {
      const to = targetsOf(element, link);
      if (to.length > 0) links.set(sourceOf(element), [...(links.get(sourceOf(element)) ?? []), ...to]);
    }
  }
  return links;
}

/** Ids on a loop of one-way links, one list a loop; only those that can be reached from `starts`. */
function loops(links: ReadonlyMap<string, readonly string[]>, starts: Iterable<string> = links.keys()): string[][] {
  const state = new Map<string, 'open' | 'done'>();
  const found: string[][] = [];
  for (const start of starts) {
    if (state.has(start)) continue;
    // An explicit stack: a line of ten thousand runs must not overflow the call stack.
    const path: { id: string; next: number }[] = [{ id: start, next: 0 }];
    state.set(start, 'open');
    while (path.length > 0) {
      const top = path[path.length - 1]!;
      const to = links.get(top.id)?.[top.next++];
      if (to === undefined) {
        state.set(top.id, 'done');
        path.pop();
      } else if (state.get(to) === 'open') {
        found.push(path.slice(path.findIndex((step) => step.id === to)).map((step) => step.id));
      } else if (!state.has(to)) {
        state.set(to, 'open');
        path.push({ id: to, next: 0 });
      }
    }
  }
  return found;
}

function loopFault(circuit: Circuit, loop: readonly string[]): Fault {
  const field = CIRCUITS.find((each) => each.circuit === circuit)!.members[0]!.link.field;
  return {
    path: at(loop[0]!, circuit === 'pipes' ? undefined : field),
    sentence: ROUND[circuit]([...loop, loop[0]].join(' → ')),
  };
}

/** Faults of one element: where its links lead, and what its kind says of it. */
function ownFaults(job: Job, element: Element): Fault[] {
  const faults: Fault[] = [];
  for (const reference of referencesOf(element)) {
    const sentence = linkFault(job, reference);
    if (sentence) faults.push({ path: at(element.id, reference.path), sentence });
  }
  for (const { field, sentence } of kindOf(element.kind).faults?.(element) ?? [])
    faults.push({ path: at(element.id, field), sentence });
  return faults;
}

const secondWayOut = (run: Run): Fault => ({
  path: at(run.id, 'from'),
  sentence: `is a second way out of "${run.from}"; a landing has one`,
});

const noHead: Fault = { path: 'elements.job', sentence: 'is missing: a job needs its head, with name and units' };

/** Every fault between elements: dangling links, two ways out of one landing, water going round. */
export function jobFaults(job: Job): Fault[] {
  const faults: Fault[] = elementOf(job, 'job', 'job') ? [] : [noHead];
  const left = new Set<string>();
  for (const element of job.elements) {
    faults.push(...ownFaults(job, element));
    if (element.kind !== 'run') continue;
    if (left.has(element.from)) faults.push(secondWayOut(element));
    left.add(element.from);
  }
  for (const { circuit } of CIRCUITS)
    for (const loop of loops(circuitLinks(job, circuit))) faults.push(loopFault(circuit, loop));
  return faults;
}

/**
 * Faults that a change would add to a job that has been checked before: `after` is the job with it. Costs what the change touches,
 * and, where something was taken out or stopped being a landing, a look for whoever still leads there.
 */
export function changeFaults(before: Job, after: Job, { puts, removes }: Pick<Change, 'puts' | 'removes'>): Fault[] {
  const faults: Fault[] = elementOf(after, 'job', 'job') ? [] : [noHead];
  const touched = new Set(puts.map(({ id }) => id));
  for (const id of touched) faults.push(...ownFaults(after, after.elements.get(id)!));
  faults.push(...strandedFaults(before, after, touched, removes));
  const runs = puts.filter((element) => element.kind === 'run');
  for (const run of runs) {
    const other = ofKind(after, 'run').find((each) => each.from === run.from && each.id !== run.id);
    if (other) faults.push(secondWayOut(run));
  }
  for (const { circuit, members } of CIRCUITS) {
    const moved = puts.filter((element) => members.some(({ kind }) => kind === element.kind));
    if (moved.length === 0) continue;
    for (const loop of loops(circuitLinks(after, circuit), moved.map(sourceOf))) faults.push(loopFault(circuit, loop));
  }
  return faults;
}

/** Links of untouched elements to what a change takes out, or makes into something that nothing may lead to. */
function strandedFaults(before: Job, after: Job, touched: ReadonlySet<string>, removes: readonly string[]): Fault[] {
  const suspects = new Set(removes.filter((id) => before.elements.has(id) && !after.elements.has(id)));
  for (const id of touched) {
    const [was, is] = [before.elements.get(id), after.elements.get(id)!];
    if (was && (was.kind !== is.kind || isLanding(was) !== isLanding(is))) suspects.add(id);
  }
  if (suspects.size === 0) return [];
  return after.elements.all
    .filter((element) => !touched.has(element.id) && referencesOf(element).some(({ to }) => suspects.has(to)))
    .flatMap((element) => ownFaults(after, element));
}
