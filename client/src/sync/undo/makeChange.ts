/** Making a change, and taking one back, as what is then known and to be done. Pure. */
import { changed, changeSchema, issueSentence, type Change } from '@katabasis/core';
import { faultOf } from '../faultOf';
import { withJob } from '../layJob';
import type { Effect, Reduced, SessionState } from '../sessionState';
import { drop, empty, lastStep, push, type Stacked } from './stacks';
import { stepOf, takenBack } from './steps';
import type { Stack, Step } from '../device/stored';
import { same } from '../same';
import { pendingOf } from '../merging/waiting';

const keep = (step: Step): Effect => ({ effect: 'keep', step });

/** A change to be kept with the step that takes it back. */
interface Enqueued {
  change: Change;
  /** Its own id. */
  id: string;
  /** Where the step that takes it back lies, and what it is called there. */
  onto: Stack;
  label: string;
  /** What goes with it. */
  gone: Stacked;
}

/** Keeps a change, shows it and has it sent. One that changes nothing is none. */
function enqueue(state: SessionState, { change, id, onto, label, gone }: Enqueued): Reduced {
  const job = state.job!;
  const { elements } = job;
  const { forgotten = [] } = gone.step;
  const puts = change.puts.filter((put) => !same(elements.get(put.id), put));
  const removes = change.removes.filter((each) => elements.has(each) && !puts.some((put) => put.id === each));
  if (puts.length + removes.length === 0)
    return { state: { ...state, stacks: gone.stacks }, effects: forgotten.length > 0 ? [keep({ forgotten })] : [] };
  const bare = { label: change.label, puts, removes, ...(change.stands ? { stands: change.stands } : {}) };
  const pending = pendingOf(
    state.waiting,
    bare,
    id,
    (element) => state.base.get(element) ?? { version: 0, element: null },
  );
  const pushed = push(gone.stacks, onto, stepOf(job, { ...bare, label }, pending.change));
  const again = state.waiting.filter((each) => state.unstored.has(each.change));
  const step: Step = {
    ...pushed.step,
    forgotten: [...forgotten, ...(pushed.step.forgotten ?? [])],
    waiting: [...again, pending],
  };
  const next = {
    ...state,
    stacks: pushed.stacks,
    previewed: null,
    asking: null,
    waiting: [...state.waiting, pending],
  };
  return {
    state: withJob(next, changed(job, bare)),
    effects: [keep(step), { effect: 'tell', news: { news: 'made', pending } }, { effect: 'send' }],
  };
}

/** Makes a change; says why where the job could not be saved with it, and then changes nothing. */
export function make(state: SessionState, change: Change, id: string): Reduced {
  const no = (said: string): Reduced => ({ state, effects: [], said });
  if (!state.job || state.state === 'unread') return no('The job is still being read.');
  const parsed = changeSchema.safeParse(change, { reportInput: true });
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return no(`${String(issue.path.at(-1) ?? 'It')} ${issueSentence(issue)}.`);
  }
  const wrong = faultOf(state.job, change);
  if (wrong !== null) return no(wrong);
  const gone = empty(state.stacks, 'future');
  return { ...enqueue(state, { change, id, onto: 'past', label: change.label, gone }), said: null };
}

/** Takes back the last step made here, or makes it again; asks first where somebody else has changed the same since, unless told to `anyway`. */
export function takeStep(state: SessionState, word: 'Undo' | 'Redo', anyway: boolean, id: string): Reduced {
  const [from, onto]: [Stack, Stack] = word === 'Undo' ? ['past', 'future'] : ['future', 'past'];
  const step = lastStep(state.stacks, from);
  if (!step || !state.job || state.state === 'unread') return { state, effects: [] };
  const { change: back, differing } = takenBack(state.job, step, anyway);
  if (differing.length > 0 && !anyway)
    return { state: { ...state, asking: { word, label: step.label, differing } }, effects: [] };
  const change = { ...back, label: `${word}: ${step.label}`.slice(0, 200) };
  if (faultOf(state.job, change) !== null) {
    // Something came to lead there since: it cannot go before that does.
    const all = step.parts.map((part) => ({ id: part.id, field: null }));
    return { state: { ...state, asking: { word, label: step.label, differing: all } }, effects: [] };
  }
  return enqueue(state, { change, id, onto, label: step.label, gone: drop(state.stacks, from) });
}
