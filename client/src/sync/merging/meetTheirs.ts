/** What becomes of a session when others have changed what waits here. Pure. */
import type { Conflict } from '@katabasis/core';
import { laid, placed } from '../layJob';
import type { Side } from './mergeFields';
import { mergeWaiting, theirsOf, type MergedWaiting } from './mergeWaiting';
import { going, nothing, SEND, TELL_OTHERS, type Reduced, type SessionEvent, type SessionState } from '../sessionState';
import type { Versioned } from '../device/stored';

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
export function conflicted(
  state: SessionState,
  { label, conflicts, seq, epoch }: Extract<SessionEvent, { event: 'conflicted' }>,
): Reduced {
  // The job was taken in anew meanwhile: what was said of it may be older, and is asked for again.
  if (seq !== state.seq || epoch !== state.epoch) return nothing(state);
  const rest = mergeWaiting(state.waiting, theirsOf(conflicts), 'mine');
  if (rest.collisions.length === 0) return onTheirs(state, conflicts, rest);
  return nothing({ ...state, unreached: null, state: 'conflicted', label, conflicts });
}

/** Whose stands, where both changed the same field. */
export function resolve(state: SessionState, side: Side): Reduced {
  if (state.state !== 'conflicted') return nothing(state);
  const { conflicts } = state;
  const { state: next, effects } = onTheirs(state, conflicts, mergeWaiting(state.waiting, theirsOf(conflicts), side));
  return { state: next, effects: [...effects, SEND] };
}
