/**
 * Steps of undo. A step holds what one change did: each element as it was and as it came out. Taking it back sets only the fields that it
 * changed, and only where they still are as it left them; what somebody else has changed since is told, and left to the user. Pure.
 */
import { standsOf, type Change, type Element, type Job, type Stands } from '@katabasis/core';
import { same } from '../same';

/** What a change did to one element; null for one that was not there. */
export interface Part {
  id: string;
  was: Element | null;
  now: Element | null;
}

export interface UndoStep {
  /** Id of the change. */
  id: string;
  label: string;
  parts: Part[];
  /** Where those stood that it took out. */
  stands: Stands[];
}

/** A field that is not as the step left it; no field where the whole element came or went meanwhile. */
export interface Differing {
  id: string;
  field: string | null;
}

export interface TakenBack {
  /** What takes it back, as far as nobody else is concerned, or all of it where that was asked for. */
  change: Change;
  differing: Differing[];
}

type Fields = Record<string, unknown>;

/** What a change does to a job. */
export function stepOf(job: Job, { label, puts, removes }: Change, id: string): UndoStep {
  const gone = removes.filter((each) => job.elements.has(each) && !puts.some((put) => put.id === each));
  const parts = [
    ...puts.map((now): Part => ({ id: now.id, was: job.elements.get(now.id) ?? null, now })),
    ...gone.map((each): Part => ({ id: each, was: job.elements.get(each)!, now: null })),
  ];
  return { id, label, parts, stands: gone.length > 0 ? standsOf(job, new Set(gone)) : [] };
}

/** What takes a step back. `anyway` takes back what others have changed since as well. */
export function takenBack(job: Job, step: UndoStep, anyway = false): TakenBack {
  const puts: Element[] = [];
  const removes: string[] = [];
  const differing: Differing[] = [];
  for (const part of step.parts) {
    const back = backOf(job.elements.get(part.id) ?? null, part, anyway);
    differing.push(...back.differing);
    if (back.to === 'gone') removes.push(part.id);
    else if (back.to !== 'as it is') puts.push(back.to);
  }
  const returning = new Set(puts.filter(({ id }) => !job.elements.has(id)).map(({ id }) => id));
  const stands = step.stands.filter(({ id }) => returning.has(id));
  return { change: { label: step.label, puts, removes, ...(stands.length > 0 ? { stands } : {}) }, differing };
}

interface Back {
  to: Element | 'gone' | 'as it is';
  differing: Differing[];
}

function backOf(present: Element | null, { id, was, now }: Part, anyway: boolean): Back {
  const asItIs = (field: string | null): Back => ({ to: 'as it is', differing: [{ id, field }] });
  if (was === null) {
    if (present === null) return { to: 'as it is', differing: [] };
    if (same(present, now)) return { to: 'gone', differing: [] };
    return anyway ? { to: 'gone', differing: [{ id, field: null }] } : asItIs(null);
  }
  if (now === null || present === null || present.kind !== now.kind || was.kind !== now.kind) {
    if (same(present, was)) return { to: 'as it is', differing: [] };
    if (same(present, now)) return { to: was, differing: [] };
    return anyway ? { to: was, differing: [{ id, field: null }] } : asItIs(null);
  }
  return fieldsBack(present, was, now, anyway);
}

/** Field by field: those that the step changed and that are still as it left them. */
function fieldsBack(present: Element, was: Element, now: Element, anyway: boolean): Back {
  const [before, after, at] = [was, now, present] as unknown as Fields[] as [Fields, Fields, Fields];
  const to: Fields = { ...at };
  const differing: Differing[] = [];
  for (const field of new Set([...Object.keys(before), ...Object.keys(after)])) {
    if (same(before[field], after[field]) || same(at[field], before[field])) continue;
    const touched = !same(at[field], after[field]);
    if (touched) differing.push({ id: present.id, field });
    if (touched && !anyway) continue;
    if (before[field] === undefined) delete to[field];
    else to[field] = before[field];
  }
  return { to: same(to, at) ? 'as it is' : (to as unknown as Element), differing };
}
