/** What is wrong with a job as data, said in full. A poor plan is not a fault: that is a snag. */
import type { z } from 'zod';
import type { Change } from './change';
import { elementOf, ofKind, type Job } from './job';
import { isGroundInlet, isLaid, isLanding, isTaker, kindOf, type Element, type Run } from './kinds';
import { referencesOf, type Reference } from './links';
import { CIRCUITS, sourceOf, circuitLinks, findLoops, loopFault } from './loops';
import { type Fault, Findings, at } from './findings';

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

/** Targets that are things of the one kind that they are called by. */
const OF_ONE_KIND: ReadonlySet<Reference['link']['to']> = new Set(['downspout', 'building', 'swale', 'run', 'drain']);

/** What is wrong with where a link leads; null when nothing is. */
function linkFault(job: Job, { to, link }: Reference): string | null {
  const target = job.elements.get(to);
  if (!target) return `points to "${to}", which is not in the job`;
  if (link.to === 'groundInlet')
    return isGroundInlet(target) ? null : `must be a basin or a channel drain, and "${to}" is a ${target.kind}`;
  if (OF_ONE_KIND.has(link.to))
    return target.kind === link.to ? null : `must be a ${link.to}, and "${to}" is a ${target.kind}`;
  if (link.to === 'trench')
    return target.kind === 'run' || target.kind === 'drain'
      ? null
      : `must be a run or a drain, and "${to}" is a ${target.kind}`;
  if (link.to === 'openWay')
    return target.kind === 'swale' || target.kind === 'channel'
      ? null
      : `must be a swale or a channel drain, and "${to}" is a ${target.kind}`;
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
