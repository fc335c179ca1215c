/** What becomes of a session by what happens to it, and what is then to be done. Pure: `session.ts` does it. */
import { changed, type JobReply } from '@katabasis/core';
import { pauseAfter } from './again';
import type { PageNews } from './keeping';
import { laid, settled, withBase, withJob } from './layJob';
import { make, takeStep } from './undo/makeChange';
import {
  countWaiting,
  headKept,
  type Effect,
  type Reduced,
  type SessionEvent,
  type SessionState,
  SEND,
  TELL_OTHERS,
  going,
  nothing,
} from './sessionState';
import { drop, forget, withKept } from './undo/stacks';
import type { StoredJob } from './device/stored';
import { withoutChange } from './merging/waiting';
import { compared, createdElsewhere, lag } from './merging/otherEpoch';
import { conflicted, resolve } from './merging/meetTheirs';

function begin(state: SessionState, stored: StoredJob): Reduced {
  const { seq, unsent, epoch = '', createdAt = null, elements, waiting } = stored;
  const open = withBase({ ...going(state), seq, unsent, epoch, createdAt, waiting: [...waiting] }, elements);
  return { state: open, effects: [{ effect: 'keep', step: { head: headKept(open), elements, waiting } }] };
}

const replacing = (state: SessionState): Effect => ({
  effect: 'replace',
  head: headKept(state),
  elements: [...state.base.values()],
});

/** What the device keeps, in place of what was known to wait (by `known` ids) when it was asked; then what waits in it is sent. */
function read(state: SessionState, stored: StoredJob | null, known: ReadonlySet<string>): Reduced {
  const waiting = stored?.waiting ?? [];
  // Told of by another page before it was stored, or held on this page only.
  const newer = state.waiting.filter(
    ({ change }) =>
      (!known.has(change) || state.unstored.has(change)) && !waiting.some((each) => each.change === change),
  );
  const isFirst = state.state === 'unread';
  const open: SessionState = {
    ...(isFirst || state.state === 'conflicted' ? going(state) : state),
    waiting: [...waiting, ...newer],
    stacks: withKept(state.stacks, stored?.steps ?? []),
  };
  const sending: Effect[] = countWaiting(open) > 0 || stored?.unsent === true ? [SEND] : [];
  // The server may have answered already: by what it said of its epoch, what is kept is from before, or was laid beside it by another page.
  const isOld = stored !== null && open.job !== null && !stored.unsent && (stored.epoch ?? '') !== open.epoch;
  const older = open.job !== null && stored !== null && !isOld && stored.seq <= open.seq;
  if (!stored || older || (stored.seq < 0 && !stored.unsent))
    return { state: laid(open), effects: [...(isFirst && open.job ? [replacing(open)] : []), ...sending] };
  const { seq, unsent, epoch = '', createdAt = null } = stored;
  const lagging = isOld && isFirst;
  const next = withBase({ ...open, seq, unsent, epoch, createdAt, lagging }, stored.elements);
  return { state: next, effects: lagging ? [{ effect: 'compare' }] : sending };
}

/** The job as the server has it; older news than what is known is let pass. */
function take(state: SessionState, { seq, epoch, createdAt, elements: told }: JobReply): Reduced {
  const isKnown = state.job !== null;
  if (state.unsent) return nothing(state);
  if (isKnown && state.state !== 'unread' && epoch !== state.epoch) return lag(state);
  if (seq < state.seq || (seq === state.seq && isKnown)) return nothing(state);
  const elements = told.map((each, place) => ({ ...each, place }));
  // What is asked about may have changed again: it is asked of the server anew.
  const isAsking = state.state === 'conflicted';
  const next = withBase({ ...(isAsking ? going(state) : state), seq, epoch, createdAt }, elements);
  // What the device keeps has not been looked at: it may be of another epoch.
  if (state.state === 'unread') return nothing(next);
  return { state: next, effects: [replacing(next), ...(isAsking ? [SEND] : [])] };
}

/** What another page of this device did. */
function follow(state: SessionState, news: PageNews): Reduced {
  if (news.news === 'other') return { state, effects: [{ effect: 'read' }] };
  if (news.news === 'done') return nothing(settled(state, news.done, news.versions, news.seq).known);
  if (state.waiting.some(({ change }) => change === news.pending.change)) return nothing(state);
  const next = { ...state, waiting: [...state.waiting, news.pending] };
  return nothing(next.job ? withJob(next, changed(next.job, news.pending)) : next);
}

function created(state: SessionState, { seq, epoch, createdAt, elements: told }: JobReply): Reduced {
  const elements = told.map((each, place) => ({ ...each, place }));
  const next = withBase({ ...state, unsent: false, seq, epoch, createdAt, unreached: null }, elements);
  return {
    state: next,
    effects: [{ effect: 'keep', step: { head: headKept(next), elements } }, TELL_OTHERS, { effect: 'saved' }],
  };
}

function sent(state: SessionState, { head, versions, seq, epoch }: Extract<SessionEvent, { event: 'sent' }>): Reduced {
  // Taken in by a server that was put back since: it may be lost there, and is sent again.
  if (epoch !== state.epoch) return nothing(state);
  const { known, elements, gone, rewritten } = settled(state, head, versions, seq);
  const step = { head: headKept(known), elements, gone, waiting: rewritten, done: [head] };
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

function storeTold(
  state: SessionState,
  { event, changes }: Extract<SessionEvent, { event: 'roomFound' | 'noRoom' }>,
): Reduced {
  const unstored = new Set(state.unstored);
  for (const change of changes)
    if (event === 'roomFound') unstored.delete(change);
    else unstored.add(change);
  return nothing({ ...state, unstored });
}

function unreached(state: SessionState, why: string | null): Reduced {
  const times = state.unreached?.times ?? 0;
  return {
    state: { ...state, unreached: { why, times: times + 1 } },
    effects: [{ effect: 'sendAgain', after: pauseAfter(times) }],
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
      return created(state, event.reply);
    case 'createdElsewhere':
      return createdElsewhere(state);
    case 'lagged':
      return lag(state);
    case 'compared':
      return event.beside.epoch === state.epoch || state.unsent
        ? { state: { ...state, lagging: false }, effects: [SEND] }
        : compared(state, event.beside, event.id);
    case 'sent':
      return sent(state, event);
    case 'conflicted':
      return conflicted(state, event);
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
      return storeTold(event.event === 'noRoom' ? { ...state, isFull: event.isFull } : state, event);
  }
}
