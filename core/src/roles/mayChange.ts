/** Whether somebody may make a change: by the kinds of things that it touches, and, of some, by the fields. */
import type { Change } from '../job/change';
import { nameOf, type Job } from '../job/job';
import { kindOf, type Element, type ElementKind } from '../job/kinds';
import type { Right } from './roles';

/** Of each kind that may be touched: all of it, or these fields of one that is there. */
type May = Partial<Record<ElementKind, 'all' | readonly string[]>>;

const FIELD: May = {
  step: 'all',
  visit: 'all',
  photo: 'all',
  note: 'all',
  complaint: 'all',
  keeping: 'all',
  run: ['laid'],
};
const MONEY: May = {
  outcome: 'all',
  job: ['prices'],
  note: ['amount'],
  complaint: ['pays', 'cost'],
  step: ['took'],
};

type Fields = Record<string, unknown>;

/** Fields in which one element differs from another. */
function differing(was: Element, is: Element): string[] {
  const [a, b] = [was as unknown as Fields, is as unknown as Fields];
  const names = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...names].filter((name) => JSON.stringify(a[name]) !== JSON.stringify(b[name]));
}

function mayPut(may: May, was: Element | undefined, is: Element): boolean {
  const part = may[is.kind];
  if (part === 'all') return was === undefined || was.kind === is.kind;
  if (part === undefined || was?.kind !== is.kind) return false;
  return differing(was, is).every((field) => part.includes(field));
}

/** What of a change somebody with these rights may not make, as a sentence; null where he may make all of it. */
export function notHis(rights: ReadonlySet<Right>, before: Job, { puts, removes }: Change): string | null {
  if (rights.has('plan')) return null;
  const mays = [...(rights.has('field') ? [FIELD] : []), ...(rights.has('money') ? [MONEY] : [])];
  if (mays.length === 0) return 'You look at this job and change nothing in it.';
  const put = puts.find((is) => !mays.some((may) => mayPut(may, before.elements.get(is.id), is)));
  const gone = removes
    .flatMap((id) => before.elements.get(id) ?? [])
    .find(({ kind }) => !mays.some((may) => may[kind] === 'all'));
  const touched = put ? (before.elements.get(put.id) ?? put) : gone;
  if (!touched) return null;
  const name = before.elements.get(touched.id) ? nameOf(before, touched.id) : kindOf(touched.kind).label;
  return `${name} is the planner’s to change. Write a note, and they see it.`;
}
