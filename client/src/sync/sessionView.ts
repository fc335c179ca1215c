/** What a session shows of its state. Pure. */
import { changed, type Job } from '@katabasis/core';
import type { Held, Keeping, SessionView } from './keeping';
import { collisionsIn, theirsOf } from './merging/mergeWaiting';
import { countWaiting, type SessionState } from './sessionState';
import { lastStep } from './undo/stacks';

export const underFinger = ({ job, previewed }: SessionState): Job | null =>
  job && previewed ? changed(job, previewed) : job;

function heldIn(state: SessionState, durable: boolean): Held | null {
  if (!durable) return 'nothing';
  if (!state.kept) return 'unread';
  if (state.unstored.size === 0) return null;
  return state.isFull ? 'full' : 'failed';
}

/** What stands between this device and the server. `durable`: whether what the device keeps outlives the page. */
function keepingOf(state: SessionState, durable: boolean): Keeping {
  const count = countWaiting(state);
  if (state.state === 'conflicted')
    return {
      state: 'conflict',
      label: state.label,
      collisions: collisionsIn(state.waiting, theirsOf(state.conflicts)),
    };
  if (state.state === 'refused')
    return { state: 'refused', label: state.label, sentence: state.sentence, gone: state.gone };
  if (count === 0) return { state: 'kept' };
  if (!state.unreached) return { state: 'sending' };
  return { state: 'waiting', count, held: heldIn(state, durable), why: state.unreached.why };
}

export const viewOf = (state: SessionState, durable: boolean): SessionView => ({
  job: state.job,
  keeping: keepingOf(state, durable),
  keepsNothing: !state.kept,
  undoLabel: lastStep(state.stacks, 'past')?.label ?? null,
  redoLabel: lastStep(state.stacks, 'future')?.label ?? null,
  asking: state.asking,
});
