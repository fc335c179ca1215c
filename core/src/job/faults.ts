/** What is wrong with a job as data, said in full. A poor plan is not a fault: that is a snag. */
import type { z } from 'zod';
import { isLanding, outletsFit, type Element } from './elements';
import type { Job } from './job';

export interface Fault {
  /** Where: `elements`, the index or id, the field … */
  path: string;
  sentence: string;
}

/** More than any yard holds; keeps a hostile file from tying up a phone. */
export const MOST_ELEMENTS = 20_000;

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

interface Reference {
  field: string;
  to: string;
}

function references(element: Element): Reference[] {
  switch (element.kind) {
    case 'run':
      return [
        { field: 'from', to: element.from },
        { field: 'to', to: element.to },
      ];
    case 'roofFace':
    case 'surface':
    case 'fixedFlow':
      return element.feeds.map((feed, index) => ({ field: `feeds[${index}].to`, to: feed.to }));
    case 'downspout':
      return [
        ...(element.landsOn ?? []).map((feed, index) => ({ field: `landsOn[${index}].to`, to: feed.to })),
        ...(element.spillsTo === undefined ? [] : [{ field: 'spillsTo', to: element.spillsTo }]),
      ];
    case 'basin':
    case 'channel':
      return element.passesTo === undefined ? [] : [{ field: 'passesTo', to: element.passesTo }];
    default:
      return [];
  }
}

function referenceFault(job: Job, element: Element, { field, to }: Reference): string | null {
  const target = job.elements[to];
  if (!target) return `points to "${to}", which is not in the job`;
  if (field === 'spillsTo' && target.kind !== 'basin' && target.kind !== 'channel')
    return `must be a basin or a channel drain, and "${to}" is a ${target.kind}`;
  const wantsDownspout = element.kind === 'roofFace' || (element.kind === 'downspout' && field !== 'spillsTo');
  if (wantsDownspout && target.kind !== 'downspout') return `must be a downspout, and "${to}" is a ${target.kind}`;
  if (!wantsDownspout && !isLanding(target)) {
    // A downspout that is no landing is one that ends in a gutter.
    const what: string = (target as Element).kind;
    return `must be a landing, and "${to}" is ${what === 'downspout' ? 'a downspout that lands on a gutter' : `a ${what}`}`;
  }
  if (field === 'from' && target.kind === 'discharge') return `starts at "${to}", where water has already left the job`;
  return null;
}

/** Ids on a loop of one-way links, one list a loop. Each node has any number of links. */
function loops(links: ReadonlyMap<string, readonly string[]>): string[][] {
  const state = new Map<string, 'open' | 'done'>();
  const found: string[][] = [];
  for (const start of links.keys()) {
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

/** Faults between elements: dangling references, two ways out of one landing, water going round. */
export function jobFaults(job: Job): Fault[] {
  const faults: Fault[] = [];
  const at = (id: string, field?: string): string => `elements.${id}${field ? `.${field}` : ''}`;
  if (job.elements.job?.kind !== 'job')
    faults.push({ path: 'elements.job', sentence: 'is missing: a job needs its head, with name and units' });
  const pipes = new Map<string, string[]>();
  const gutters = new Map<string, string[]>();
  const passing = new Map<string, string[]>();
  for (const element of Object.values(job.elements)) {
    for (const reference of references(element)) {
      const sentence = referenceFault(job, element, reference);
      if (sentence) faults.push({ path: at(element.id, reference.field), sentence });
    }
    if (element.kind === 'channel' && !outletsFit(element))
      faults.push({
        path: at(element.id, 'outlet'),
        sentence: 'must name outlets one after another, none beyond its length',
      });
    if (element.kind === 'run') {
      if (pipes.has(element.from))
        faults.push({
          path: at(element.id, 'from'),
          sentence: `is a second way out of "${element.from}"; a landing has one`,
        });
      pipes.set(element.from, [...(pipes.get(element.from) ?? []), element.to]);
    }
    if ((element.kind === 'basin' || element.kind === 'channel') && element.passesTo)
      passing.set(element.id, [element.passesTo]);
    if (element.kind === 'downspout' && element.landsOn)
      gutters.set(
        element.id,
        element.landsOn.map((feed) => feed.to),
      );
  }
  for (const loop of loops(pipes))
    faults.push({ path: at(loop[0]!), sentence: `is on a loop of pipes: ${[...loop, loop[0]].join(' → ')}` });
  for (const loop of loops(gutters))
    faults.push({
      path: at(loop[0]!, 'landsOn'),
      sentence: `goes round from gutter to gutter: ${[...loop, loop[0]].join(' → ')}`,
    });
  for (const loop of loops(passing))
    faults.push({ path: at(loop[0]!, 'passesTo'), sentence: `passes water round: ${[...loop, loop[0]].join(' → ')}` });
  return faults;
}
