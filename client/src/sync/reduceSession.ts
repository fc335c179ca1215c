/** What becomes of a session by what happens to it, and what is then to be done. Pure: `session.ts` does it. */
import { changed, type Conflict, type JobReply } from '@katabasis/core';
import type { PageNews } from './keeping';
import { laid, placed, settled, withBase, withJob } from './layJob';
import { make, takeStep } from './makeChange';
import { countWaiting, type Effect, type Reduced, type SessionEvent, type SessionState } from './sessionState';
import { drop, forget, withKept } from './stacks';
import type { StoredJob, Versioned } from './device/stored';
import type { Side } from './mergeFields';
import { mergeWaiting, theirsOf, type MergedWaiting } from './mergeWaiting';
import { withoutChange } from './waiting';

const nothing = (state: SessionState): Reduced => ({ state, effects: [] });

const TELL_OTHERS: Effect = { effect: 'tell', news: { news: 'other' } };
const SEND: Effect = { effect: 'send' };

/** As it is when nothing stops it: what a device could not read stays unread. */
const going = (state: SessionState): SessionState => ({ ...state, state: state.kept ? 'open' : 'unreadable' });

function begin(state: SessionState, stored: StoredJob): Reduced {
  const { seq, unsent, elements, waiting } = stored;
  const open = withBase({ ...going(state), seq, unsent, waiting: [...waiting] }, elements);
  return { state: open, effects: [{ effect: 'keep', step: { seq, unsent, elements, waiting } }] };
}

/** What the device keeps, in place of what was known to wait (by `known` ids) when it was asked; then what waits in it is sent. */
function read(state: SessionState, stored: StoredJob | null, known: ReadonlySet<string>): Reduced {
  const waiting = stored?.waiting ?? [];
  // Made here while this was read, or told of by another page before it was stored.
  const newer = state.waiting.filter(
    ({ change }) => !known.has(change) && !waiting.some((each) => each.change === change),
  );
  const open: SessionState = {
    ...(state.state === 'unread' ? going(state) : state),
    waiting: [...waiting, ...newer],
    stacks: withKept(state.stacks, stored?.steps ?? []),
  };
  // The server may have answered already.
  const older = open.job !== null && stored !== null && stored.seq <= open.seq;
  const next =
    stored && !older && (stored.seq >= 0 || stored.unsent)
      ? withBase({ ...open, seq: stored.seq, unsent: stored.unsent }, stored.elements)
      : laid(open);
  return { state: next, effects: countWaiting(next) > 0 ? [SEND] : [] };
}

/** The job as the server has it; older news than what is known is let pass. */
function take(state: SessionState, { seq, elements: told }: JobReply): Reduced {
  if (state.unsent || seq < state.seq || (seq === state.seq && state.job !== null)) return nothing(state);
  const elements = told.map((each, place) => ({ ...each, place }));
  return { state: withBase({ ...state, seq }, elements), effects: [{ effect: 'replace', seq, elements }] };
}

/** What another page of this device did. */
function follow(state: SessionState, news: PageNews): Reduced {
  if (news.news === 'other') return { state, effects: [{ effect: 'read' }] };
  if (news.news === 'done') return nothing(settled(state, news.done, news.versions, news.seq).known);
  if (state.waiting.some(({ change }) => change === news.pending.change)) return nothing(state);
  const next = { ...state, waiting: [...state.waiting, news.pending] };
  return nothing(next.job ? withJob(next, changed(next.job, news.pending)) : next);
}

function created(state: SessionState, seq: number, told: JobReply['elements']): Reduced {
  const elements = told.map((each, place) => ({ ...each, place }));
  return {
    state: withBase({ ...state, unsent: false, seq, unreached: null }, elements),
    effects: [{ effect: 'keep', step: { seq, unsent: false, elements } }, TELL_OTHERS, { effect: 'saved' }],
  };
}

function sent(state: SessionState, { head, versions, seq }: Extract<SessionEvent, { event: 'sent' }>): Reduced {
  const { known, elements, rewritten } = settled(state, head, versions, seq);
  const step = { seq: known.seq, elements, gone: head.removes, waiting: rewritten, done: [head] };
  return {
    state: { ...known, unreached: null },
    effects: [
      { effect: 'keep', step },
      { effect: 'tell', news: { news: 'done', done: head, versions, seq } },
      { effect: 'saved' },
      ...(seq > state.seq + 1 ? [{ effect: 'behind' } as const] : []),
    ],
  };
}

/** What others have made of these elements is known from now on, and what waits is made on that. */
function onTheirs(state: SessionState, conflicts: readonly Conflict[], rest: MergedWaiting): Reduced {
  const theirs = placed(
    state,
    conflicts.flatMap(({ version, element }) => (element ? [{ version, element }] : [])),
  );
  const gone = conflicts.filter(({ element }) => element === null).map(({ id }) => id);
  const base = new Map<string, Versioned>(state.base);
  for (const each of theirs) base.set(each.element.id, each);
  for (const id of gone) base.delete(id);
  return {
    state: laid({ ...going(state), base, waiting: rest.waiting, unreached: null }),
    effects: [
      { effect: 'keep', step: { elements: theirs, gone, waiting: rest.rewritten, done: rest.done } },
      TELL_OTHERS,
      { effect: 'behind' },
    ],
  };
}

/** Somebody else changed the same meanwhile: merged field by field, or asked about where both changed the same field. */
function conflicted(state: SessionState, label: string, conflicts: Conflict[]): Reduced {
  const rest = mergeWaiting(state.waiting, theirsOf(conflicts), 'mine');
  if (rest.collisions.length === 0) return onTheirs(state, conflicts, rest);
  return nothing({ ...state, unreached: null, state: 'conflicted', label, conflicts });
}

/** Whose stands, where both changed the same field. */
function resolve(state: SessionState, side: Side): Reduced {
  if (state.state !== 'conflicted') return nothing(state);
  const { conflicts } = state;
  const { state: next, effects } = onTheirs(state, conflicts, mergeWaiting(state.waiting, theirsOf(conflicts), side));
  return { state: next, effects: [...effects, SEND] };
}

/** Gives up the change that the server refused. */
function dropRefused(state: SessionState): Reduced {
  if (state.state !== 'refused') return nothing(state);
  const [head] = state.waiting;
  if (!head) return { state: going(state), effects: [SEND] };
  const { waiting, rewritten } = withoutChange(state.waiting, head);
  const { stacks, step } = forget(state.stacks, head.change);
  return {
    state: laid({ ...going(state), waiting, stacks }),
    effects: [
      { effect: 'keep', step },
      { effect: 'keep', step: { waiting: rewritten, done: [head] } },
      TELL_OTHERS,
      SEND,
    ],
  };
}

/** Answers what was asked at a step: it stays done, and the one before it is next. */
function leaveStep(state: SessionState): Reduced {
  if (!state.asking) return nothing(state);
  const { stacks, step } = drop(state.stacks, state.asking.word === 'Undo' ? 'past' : 'future');
  return { state: { ...state, stacks, asking: null }, effects: [{ effect: 'keep', step }] };
}

function storeTold(state: SessionState, found: boolean, changes: readonly string[]): Reduced {
  const unstored = new Set(state.unstored);
  for (const change of changes)
    if (found) unstored.delete(change);
    else unstored.add(change);
  return nothing({ ...state, unstored });
}

/** Waits before the server is asked again, each time longer, ms. */
const AGAIN_MS = [2_000, 5_000, 15_000, 30_000];

function unreached(state: SessionState, why: string | null): Reduced {
  const times = state.unreached?.times ?? 0;
  return {
    state: { ...state, unreached: { why, times: times + 1 } },
    effects: [{ effect: 'sendAgain', after: AGAIN_MS[Math.min(times, AGAIN_MS.length - 1)]! }],
  };
}

export function reduceSession(state: SessionState, event: SessionEvent): Reduced {
  switch (event.event) {
    case 'begun':
      return begin(state, event.stored);
    case 'stored':
      return read(state, event.stored, event.known);
    case 'unreadable':
      return nothing(state.state === 'unread' ? { ...state, state: 'unreadable', kept: false } : state);
    case 'replied':
      return take(state, event.reply);
    case 'news':
      return follow(state, event.news);
    case 'made':
      return make(state, event.change, event.id);
    case 'stepped':
      return takeStep(state, event.word, event.anyway, event.id);
    case 'stepLeft':
      return leaveStep(state);
    case 'previewed':
      return nothing({ ...state, previewed: event.change });
    case 'created':
      return created(state, event.seq, event.elements);
    case 'sent':
      return sent(state, event);
    case 'conflicted':
      return conflicted(state, event.label, event.conflicts);
    case 'refused': {
      const { label, sentence, gone } = event;
      return nothing({ ...state, unreached: null, state: 'refused', label, sentence, gone });
    }
    case 'unreached':
      return unreached(state, event.why);
    case 'resolved':
      return resolve(state, event.side);
    case 'broughtBack':
      return nothing(going(state));
    case 'refusedDropped':
      return dropRefused(state);
    case 'roomFound':
    case 'noRoom':
      return storeTold(state, event.event === 'roomFound', event.changes);
  }
}
