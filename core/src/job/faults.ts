/** What is wrong with a job as data, said in full. A poor plan is not a fault: that is a snag. */
import type { z } from 'zod';
import type { Change } from './change';
import { elementOf, ofKind, type Job } from './job';
import { ELEMENT_KINDS, isGroundInlet, isLaid, isLanding, isTaker, kindOf, type Element, type Run } from './kinds';
import type { Link } from './kinds/kind';
import { referencesOf, targetsOf, type Reference } from './links';

export interface Fault {
  /** Where: `elements`, the index or id, the field … */
  path: string;
  sentence: string;
}

/** More than any yard holds; keeps a hostile file from tying up a phone. */
export const MAX_ELEMENTS = 20_000;

/** Faults told at most: nobody reads more, and each of a hostile file's may be long. */
export const MAX_FAULTS = 200;

/** Faults as they are found: the first are told, the rest only counted. */
export class Findings {
  private readonly told: Fault[] = [];
  private found = 0;

  /** Takes one in; `fault` is only made where there is room to tell it. */
  add(fault: () => Fault): void {
    if (this.found++ < MAX_FAULTS) this.told.push(fault());
  }

  addAll(faults: readonly Fault[]): void {
    for (const fault of faults) this.add(() => fault);
  }

  get none(): boolean {
    return this.found === 0;
  }

  /** What is told, with how many more there are. */
  get all(): Fault[] {
    const more = this.found - this.told.length;
    if (more === 0) return this.told;
    return [...this.told, { path: 'and', sentence: `${more.toLocaleString('en-US')} more` }];
  }
}

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
  if (link.to === 'downspout' || link.to === 'building' || link.to === 'swale' || link.to === 'run')
    return target.kind === link.to ? null : `must be a ${link.to}, and "${to}" is a ${target.kind}`;
  if (link.to === 'taker' && isTaker(target)) return null;
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
      if (element.kind === 'run' && !isLaid(element)) continue;
      const to = targetsOf(element, link);
      if (to.length === 0) continue;
      const known = links.get(sourceOf(element));
      if (known) known.push(...to);
      else links.set(sourceOf(element), to);
    }
  }
  return links;
}

/** Takes in a loop, and may ask for its ids. */
type TellLoop = (loop: () => string[]) => void;

/** Ids of a loop that are named, at its two ends. */
const MAX_NAMED = 8;

/**
 * Loops of one-way links, each told once, by the link that closes it; only those that can be reached from `starts`. Linear in the links;
 * a loop's list of ids is made only when it is asked for.
 */
function findLoops(links: ReadonlyMap<string, readonly string[]>, starts: Iterable<string>, tell: TellLoop): void {
  /** Place on the path being walked; −1 once all behind an id is known. */
  const place = new Map<string, number>();
  for (const start of starts) {
    if (place.has(start)) continue;
    // An explicit stack: a line of ten thousand runs must not overflow the call stack.
    const path: { id: string; next: number }[] = [{ id: start, next: 0 }];
    place.set(start, 0);
    while (path.length > 0) {
      const top = path[path.length - 1]!;
      const to = links.get(top.id)?.[top.next++];
      if (to === undefined) {
        place.set(top.id, -1);
        path.pop();
        continue;
      }
      const at = place.get(to);
      if (at === undefined) {
        place.set(to, path.length);
        path.push({ id: to, next: 0 });
      } else if (at >= 0) {
        tell(() => namedOf(path, at));
      }
    }
  }
}

/** Ids of a loop from its place on the path; of a long one both ends. */
function namedOf(path: readonly { id: string }[], at: number): string[] {
  const ids = (from: number, to: number): string[] => path.slice(from, to).map(({ id }) => id);
  if (path.length - at <= 2 * MAX_NAMED) return ids(at, path.length);
  return [
    ...ids(at, at + MAX_NAMED),
    `${path.length - at - 2 * MAX_NAMED} more`,
    ...ids(path.length - MAX_NAMED, path.length),
  ];
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

const hasHead = (job: Job): boolean => elementOf(job, 'job', 'job') !== undefined;

/** Every fault between elements: dangling links, two ways out of one landing, water going round. At most 200 are told, the rest counted. */
export function jobFaults(job: Job): Fault[] {
  const found = new Findings();
  if (!hasHead(job)) found.add(() => noHead);
  const left = new Set<string>();
  for (const element of job.elements) {
    found.addAll(ownFaults(job, element));
    if (element.kind !== 'run' || !isLaid(element)) continue;
    if (left.has(element.from)) found.add(() => secondWayOut(element));
    left.add(element.from);
  }
  for (const { circuit } of CIRCUITS) {
    const links = circuitLinks(job, circuit);
    findLoops(links, links.keys(), (loop) => found.add(() => loopFault(circuit, loop())));
  }
  return found.all;
}

const keyOf = ({ path, sentence }: Fault): string => `${path} ${sentence}`;

/**
 * Faults that a change adds: `after` is the job with it. What was wrong before is let be, so that a rule made later never locks a job.
 * Costs what the change touches, and, where something was taken out or stopped being a landing, a look for whoever still leads there.
 */
export function changeFaults(before: Job, after: Job, change: Pick<Change, 'puts' | 'removes'>): Fault[] {
  const faults = faultsTouched(before, after, change);
  if (faults.none) return [];
  const { puts, removes } = change;
  // What the change touches, as it was: its faults are not the change's.
  const was = [...puts.map(({ id }) => id), ...removes].flatMap((id) => before.elements.get(id) ?? []);
  const known = new Set(faultsTouched(before, before, { puts: was, removes: [] }).all.map(keyOf));
  return faults.all.filter((fault) => !known.has(keyOf(fault)));
}

/** Faults of `job` at what a change puts, and at what leads to what it takes out of `before`. */
function faultsTouched(before: Job, job: Job, { puts, removes }: Pick<Change, 'puts' | 'removes'>): Findings {
  const found = new Findings();
  if (!hasHead(job)) found.add(() => noHead);
  const touched = new Set(puts.map(({ id }) => id));
  for (const id of touched) found.addAll(ownFaults(job, job.elements.get(id)!));
  found.addAll(strandedFaults(before, job, touched, removes));
  for (const run of secondWaysOut(job, puts)) found.add(() => secondWayOut(run));
  for (const { circuit, members } of CIRCUITS) {
    const moved = puts.filter((element) => members.some(({ kind }) => kind === element.kind));
    if (moved.length === 0) continue;
    findLoops(circuitLinks(job, circuit), moved.map(sourceOf), (loop) => found.add(() => loopFault(circuit, loop())));
  }
  return found;
}

/** Runs among `puts` that leave a landing which another run leaves too. */
function secondWaysOut(job: Job, puts: readonly Element[]): Run[] {
  const runs = puts.filter((element) => element.kind === 'run').filter(isLaid);
  if (runs.length === 0) return [];
  const leaving = new Map(runs.map((run) => [run.from, 0]));
  for (const run of ofKind(job, 'run')) {
    if (!isLaid(run)) continue;
    const { from } = run;
    const known = leaving.get(from);
    if (known !== undefined) leaving.set(from, known + 1);
  }
  return runs.filter(({ from }) => leaving.get(from)! > 1);
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
