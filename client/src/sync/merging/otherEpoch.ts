/** What becomes of a session whose server was put back from a copy, or has a job that began here by another's hand. Pure. */
import type { Beside } from '@katabasis/core';
import { layBeside } from './layBeside';
import { withBase } from '../layJob';
import { going, headKept, SEND, TELL_OTHERS, type Reduced, type SessionState } from '../sessionState';
import { rebased } from './waiting';

/** The server is of another epoch than what is known here. */
export const lag = (state: SessionState): Reduced => ({
  state: { ...state, lagging: true },
  effects: state.lagging ? [] : [{ effect: 'compare' }],
});

/** What is known here was laid beside what the server has, or the server has not got the job. */
export function compared(state: SessionState, { epoch, asOf, takenOut, job }: Beside, id: string): Reduced {
  const level = { ...going(state), epoch, lagging: false };
  if (!job) {
    const isGone = takenOut || (asOf !== null && state.createdAt !== null && state.createdAt <= asOf);
    return isGone
      ? { state: level, effects: [{ effect: 'keep', step: { head: headKept(level) } }, SEND] }
      : begunAgain(level);
  }
  const waiting = layBeside(state, job, id);
  const elements = job.elements.map((each, place) => ({ ...each, place }));
  const next = withBase({ ...level, seq: job.seq, createdAt: job.createdAt, waiting }, elements);
  const gone = [...state.base.keys()].filter((each) => !next.base.has(each));
  return {
    state: next,
    effects: [
      { effect: 'keep', step: { head: headKept(next), elements, gone, waiting } },
      TELL_OTHERS,
      { effect: 'saved' },
      SEND,
    ],
  };
}

/** The server lost the job whole: it is sent as one that begins here. */
function begunAgain(state: SessionState): Reduced {
  const elements = [...state.base.values()].map((each) => ({ ...each, version: 1 }));
  const { waiting } = rebased(state.waiting, new Map(elements.map((each) => [each.element.id, each])));
  const next = withBase({ ...state, seq: -1, unsent: true, createdAt: null, waiting }, elements);
  return {
    state: next,
    effects: [{ effect: 'keep', step: { head: headKept(next), elements, waiting } }, TELL_OTHERS, SEND],
  };
}

/** Of which epoch nobody can tell: all that differs is asked about. */
const NO_EPOCH = 'none';

/** The server has a job of that id that is not as it began here. */
export const createdElsewhere = (state: SessionState): Reduced =>
  lag({ ...state, unsent: false, seq: 0, epoch: NO_EPOCH });
